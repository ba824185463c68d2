import { format, parseISO } from 'date-fns'
import { getQuery, setResponseHeader } from 'h3'
import { audit } from '../../../database/audit'
import { readFitting, recordOf } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { quotePdf } from '../../../documents/quotePdf'
import { nameFile } from '../../../http/fileName'
import { here, idParam, route } from '../../../http/route'

/** A quote that was kept, as PDF: the one with this id, else the last. */
export default route({ permission: 'documents.card' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  const quotes = recordOf(state).quotes ?? []
  const id = getQuery(event).id
  const quote = here(id === undefined ? quotes.at(-1) : quotes.find((q) => q.id === id))
  await audit(database(), {
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'document.quote',
  })
  const pdf = await quotePdf(
    quote,
    { name: state.client.details.name ?? '', code: state.client.code, shop: state.shop.name },
    (day) => format(parseISO(day), 'd MMMM yyyy'),
    new Date(),
  )
  setResponseHeader(event, 'content-type', 'application/pdf')
  nameFile(event, 'inline', `${state.client.code}-quote.pdf`)
  return pdf
})
