import { paperRoute } from '../../../http/paperRoute'
import { inThread } from '../../../work/pool'

/** The order sheet of a shell made to measure as PDF. */
export default paperRoute({
  permission: 'documents.card',
  name: 'order-sheet',
  heldBack: 'No order',
  make: ({ record, printed }) => inThread('orderSheet', [record, printed]),
})
