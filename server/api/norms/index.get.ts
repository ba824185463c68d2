import { readNorms } from '../../database/norms'
import { database } from '../../database/pool'
import { route } from '../../http/route'

export default route({ permission: 'norms.see' }, async ({ person }) => ({
  versions: await readNorms(database(), person.shopId),
}))
