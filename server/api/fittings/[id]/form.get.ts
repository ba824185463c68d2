import { readModels } from '../../../database/models'
import { database } from '../../../database/pool'
import { paperRoute } from '../../../http/paperRoute'
import { inThread } from '../../../work/pool'

/** The fitting form as PDF. */
export default paperRoute({
  permission: 'documents.card',
  name: 'form',
  make: async ({ person, state, record, printed }) => {
    const chosen = record.footwear?.chosen?.model
    const models = chosen ? await readModels(database(), person, [chosen]) : []
    const { details, code } = state.client
    return inThread('form', [record, models, { name: details.name ?? '', code }, printed])
  },
})
