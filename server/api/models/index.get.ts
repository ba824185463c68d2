import { learnAll } from '../../../core/footwear/shellCheck'
import { readModels, readShellChecks } from '../../database/models'
import { database } from '../../database/pool'
import { route } from '../../http/route'

/** The shop's models, and what its shell checks have taught of them. */
export default route({ permission: 'models.see' }, async ({ person }) => ({
  models: await readModels(database(), person.shopId),
  learned: learnAll(await readShellChecks(database(), person.shopId)),
}))
