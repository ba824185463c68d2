import { paperRoute } from '../../../http/paperRoute'
import { inThread } from '../../../work/pool'

/** The client's card as PDF. */
export default paperRoute({
  permission: 'documents.card',
  name: 'card',
  make: ({ record, printed }) => inThread('card', [record, printed]),
})
