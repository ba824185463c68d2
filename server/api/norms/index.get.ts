import { readTables } from '../../database/shopTables'
import { database } from '../../database/pool'
import { route } from '../../http/route'

export default route({ permission: 'norms.see' }, async ({ person }) => ({
  versions: await readTables(database(), person.shopId),
}))
