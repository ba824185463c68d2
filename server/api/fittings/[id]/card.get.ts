import { format, parseISO } from 'date-fns'
import { setResponseHeader } from 'h3'
import { clientCard } from '../../../../core/formats/papers/card'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { cardPdf } from '../../../documents/cardPdf'
import { localDay } from '../../../http/day'
import { nameFile } from '../../../http/fileName'
import { here, idParam, route } from '../../../http/route'

/** The client's card as PDF. */
export default route({ permission: 'documents.card' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  const record = recordOf(state)
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'document.card',
  })
  const words = (day: string) => format(parseISO(day), 'd MMMM yyyy')
  const card = clientCard(record, words(record.handover?.wearInStart ?? localDay()))
  const pdf = await cardPdf(
    {
      ...card,
      nextVisitOn: card.nextVisitOn && words(card.nextVisitOn),
      guaranteeUntil: card.guaranteeUntil && words(card.guaranteeUntil),
    },
    state.shop.name,
    words(localDay()),
    new Date(),
  )
  setResponseHeader(event, 'content-type', 'application/pdf')
  nameFile(event, 'inline', `${state.client.code}-card.pdf`)
  return pdf
})
