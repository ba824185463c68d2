import { setResponseHeader } from 'h3'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { orderSheetPdf } from '../../../documents/orderSheetPdf'
import { localDay } from '../../../http/day'
import { HttpProblem } from '../../../http/problem'
import { nameFile } from '../../../http/fileName'
import { here, idParam, route } from '../../../http/route'

/** The order sheet of a shell made to measure as PDF. */
export default route({ permission: 'documents.card' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  if (state.blocked)
    throw new HttpProblem(
      409,
      'refer-first',
      'No order before a clearance, which the fitter records in Story.',
    )
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'document.order-sheet',
  })
  setResponseHeader(event, 'content-type', 'application/pdf')
  nameFile(event, 'inline', `${state.client.code}-order-sheet.pdf`)
  return orderSheetPdf(recordOf(state), state.shop.name, localDay(), new Date())
})
