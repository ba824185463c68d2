import { setResponseHeader } from 'h3'
import { clientCard } from '../../../../core/followup/card'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { cardPdf } from '../../../documents/cardPdf'
import { localDay } from '../../../http/day'
import { here, idParam, route } from '../../../http/route'

/** The client's card as PDF. */
export default route({ permission: 'documents.card' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  const record = recordOf(state)
  await audit(database(), { shopId: person.shopId, person, clientId: state.client.id, fittingId: state.id, action: 'document.card' })
  const pdf = await cardPdf(clientCard(record, record.handover?.wearInStart ?? localDay()), state.shop.name, localDay(), new Date())
  setResponseHeader(event, 'content-type', 'application/pdf')
  setResponseHeader(event, 'content-disposition', `inline; filename="${state.client.code}-card.pdf"`)
  return pdf
})
