import { learnAll } from '../../../core/footwear/shellCheck'
import { freshest } from '../../database/freshest'
import { readModels, readShellChecks, stockElsewhere } from '../../database/models'
import type { At } from '../../database/places'
import { database } from '../../database/pool'
import { route } from '../../http/route'

/** The same for all who ask at once. */
const catalogueOf = freshest(async (at: At) => ({
  models: await readModels(database(), at),
  elsewhere: await stockElsewhere(database(), at),
  learned: learnAll(await readShellChecks(database(), at.shopId)),
}))

/**
 * The shop's models with what lies on this place's shelf, what lies elsewhere, and what its shell checks
 * have taught of them.
 */
export default route({ permission: 'models.see' }, ({ person: { shopId, placeId } }) =>
  catalogueOf({ shopId, placeId }),
)
