import { recordOf } from '../../../database/fittings'
import { readModels } from '../../../database/models'
import { database } from '../../../database/pool'
import { currentTables } from '../../../database/shopTables'
import { forRole } from '../../../http/forRole'
import { paperRoute } from '../../../http/paperRoute'
import { inThread } from '../../../work/pool'

/** The work ticket as PDF. */
export default paperRoute({
  permission: 'documents.ticket',
  name: 'ticket',
  heldBack: 'No ticket',
  make: async ({ person, state, record, printed }) => {
    const seen = forRole(state, person.role)
    const chosen = record.footwear?.chosen?.model
    const models = chosen ? await readModels(database(), person, [chosen]) : []
    const { processes } = await currentTables(database(), person.shopId)
    const told = { record: recordOf(seen), cautions: seen.cautions }
    return inThread('ticket', [record, models, processes, told, printed])
  },
})
