import { readModels } from '../database/models'
import { database } from '../database/pool'
import { route } from '../http/route'

export default route({ permission: 'models.see' }, async ({ person }) => ({ models: await readModels(database(), person.shopId) }))
