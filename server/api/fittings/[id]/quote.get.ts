import { getQuery } from 'h3'
import { paperRoute } from '../../../http/paperRoute'
import { here } from '../../../http/route'
import { inThread } from '../../../work/pool'

/** A quote that was kept, as PDF: the one with this id, else the last. */
export default paperRoute({
  permission: 'documents.card',
  name: 'quote',
  make: ({ event, state, record, printed }) => {
    const quotes = record.quotes ?? []
    const { id } = getQuery(event)
    const quote = here(id === undefined ? quotes.at(-1) : quotes.find((q) => q.id === id))
    const { details, code } = state.client
    return inThread('quote', [quote, { name: details.name ?? '', code }, printed])
  },
})
