import { ownNormsOf } from '../../database/ownNorms'
import { currentTables } from '../../database/shopTables'
import { database } from '../../database/pool'
import { route } from '../../http/route'

/** How the shop's own clients lie, by reading, age and size: numbers of groups, nobody's own. */
export default route({ permission: 'clients.see' }, async ({ person }) => ({
  shares: await ownNormsOf(person.shopId),
  ownRecords: (await currentTables(database(), person.shopId)).ownRecords,
}))
