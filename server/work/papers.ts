import { format, parseISO } from 'date-fns'
import { plainDevice } from '../../core/device/buildDevice'
import { buildShell } from '../../core/device/bodySolid'
import { footField } from '../../core/device/footField'
import { soleOutline, trimLine } from '../../core/device/outline'
import { buildSurface } from '../../core/device/surface'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { clientCard } from '../../core/formats/papers/card'
import { fittingForm } from '../../core/formats/papers/fittingForm'
import { ticketOf, type TicketTold } from '../../core/formats/papers/ticket'
import type { FittingRecord, Quote } from '../../core/record/schema'
import { normsOf } from '../../core/record/tables'
import type { Process } from '../../core/tables/processes'
import type { ShopDetails } from '../../shared/shopDetails'
import { SIDES } from '../../core/tables/vocabulary'
import { cardPdf } from '../documents/cardPdf'
import { formPdf } from '../documents/formPdf'
import { orderSheetPdf } from '../documents/orderSheetPdf'
import { quotePdf } from '../documents/quotePdf'
import { ticketPdf, type TicketDrawing } from '../documents/ticketPdf'
import { workPlanPdf } from '../documents/workPlanPdf'

/** What stands on every paper: whose shop, which day, and when it was printed. */
export interface Printed {
  shop: string
  /** how clients reach it, its tax number: what the owner told of it */
  details?: ShopDetails
  on: string
  now: Date
}

const words = (day: string) => format(parseISO(day), 'd MMMM yyyy')

/** The client's card. */
export function card(record: FittingRecord, { shop, details, on, now }: Printed) {
  const told = clientCard(record, words(record.handover?.wearInStart ?? on))
  const dated = {
    ...told,
    nextVisitOn: told.nextVisitOn && words(told.nextVisitOn),
    guaranteeUntil: told.guaranteeUntil && words(told.guaranteeUntil),
  }
  return cardPdf(dated, { name: shop, ...details }, words(on), now)
}

/** The fitting form. */
export const form = (
  record: FittingRecord,
  models: readonly FootwearModel[],
  who: { name: string; code: string },
  { shop, on, now }: Printed,
) => formPdf(fittingForm(record, models), { ...who, shop, day: on }, now)

/** A quote that was kept. */
export const quote = (
  kept: Quote,
  who: { name: string; code: string },
  { shop, details = {}, now }: Printed,
) => quotePdf(kept, { ...who, shop, details }, words, now)

/** The order sheet of a shell made to measure. */
export const orderSheet = (record: FittingRecord, { shop, on, now }: Printed) =>
  orderSheetPdf(record, shop, on, now)

/** The work on the chosen shells. */
export const workPlan = (record: FittingRecord, model: FootwearModel, { shop, on, now }: Printed) =>
  workPlanPdf(record, model, shop, on, now)

/** The work ticket; what its reader may not see stands in no line of it. */
export function ticket(
  record: FittingRecord,
  models: readonly FootwearModel[],
  processes: readonly Process[],
  told: TicketTold,
  { shop, on, now }: Printed,
) {
  const drawings = SIDES.flatMap((side): TicketDrawing[] => {
    const foot = record.feet[side]
    const found = foot && footField(foot, normsOf(record), 2)
    if (!found || !foot.device || foot.device.kind === 'none') return []
    const device = foot.device ?? plainDevice()
    const { field } = found
    return [
      {
        side,
        trim: trimLine(buildShell(buildSurface(field, device), device, normsOf(record))),
        foot: soleOutline(field.sole),
      },
    ]
  })
  return ticketPdf(ticketOf(record, models, processes, told), shop, on, drawings, now)
}
