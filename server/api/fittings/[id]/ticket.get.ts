import { setResponseHeader } from 'h3'
import { ticketOf } from '../../../../core/formats/papers/ticket'
import { plainDevice } from '../../../../core/device/buildDevice'
import { soleOutline, trimLine } from '../../../../core/device/outline'
import { buildShell } from '../../../../core/device/bodySolid'
import { footField } from '../../../../core/device/footField'
import { buildSurface } from '../../../../core/device/surface'
import { SIDES } from '../../../../core/tables/vocabulary'
import { normsOf } from '../../../../core/record/tables'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { readModels } from '../../../database/models'
import { currentTables } from '../../../database/shopTables'
import { database } from '../../../database/pool'
import { ticketPdf, type TicketDrawing } from '../../../documents/ticketPdf'
import { localDay } from '../../../http/day'
import { forRole } from '../../../http/forRole'
import { HttpProblem } from '../../../http/problem'
import { nameFile } from '../../../http/fileName'
import { here, idParam, route } from '../../../http/route'

/** The work ticket as PDF. */
export default route({ permission: 'documents.ticket' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  const record = recordOf(state)
  const seen = forRole(state, person.role)
  if (state.blocked)
    throw new HttpProblem(
      409,
      'refer-first',
      'No ticket before a clearance, which the fitter records in Story.',
    )
  const drawings = SIDES.flatMap((side): TicketDrawing[] => {
    const foot = record.feet[side]
    const found = foot && footField(foot, normsOf(record), 2)
    if (!found || !foot.device || foot.device.kind === 'none') return []
    const device = foot.device ?? plainDevice()
    const { field } = found
    return [
      {
        side,
        trim: trimLine(buildShell(buildSurface(field, device), device)),
        foot: soleOutline(field.sole),
      },
    ]
  })
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'document.ticket',
  })
  const pdf = await ticketPdf(
    // What the role may not see stands in no line of it, whatever the line is made from.
    ticketOf(
      record,
      await readModels(database(), person.shopId),
      (await currentTables(database(), person.shopId)).processes,
      { record: recordOf(seen), cautions: seen.cautions },
    ),
    state.shop.name,
    localDay(),
    drawings,
    new Date(),
  )
  setResponseHeader(event, 'content-type', 'application/pdf')
  nameFile(event, 'inline', `${state.client.code}-ticket.pdf`)
  return pdf
})
