import { learnAll } from '../../../core/footwear/learnedBias'
import { learnSpringBack } from '../../../core/footwear/springBack'
import { learnPackOut } from '../../../core/followup/learnedPackOut'
import { freshest } from '../../database/freshest'
import { readLinersSeen, readModels, readShellFacts, stockElsewhere } from '../../database/models'
import type { At } from '../../database/places'
import { database } from '../../database/pool'
import { currentTables } from '../../database/shopTables'
import { route } from '../../http/route'

/** The same for all who ask at once. */
const catalogueOf = freshest(async (at: At) => {
  const db = database()
  const models = await readModels(db, at)
  const { checks, stretches } = await readShellFacts(db, at.shopId)
  const tables = await currentTables(db, at.shopId)
  return {
    models,
    elsewhere: await stockElsewhere(db, at),
    learned: learnAll(checks, models),
    springBack: learnSpringBack(stretches, models, tables.springBackShare),
    packs: learnPackOut(await readLinersSeen(db, at.shopId), models, tables),
  }
})

/**
 * The shop's models with what lies on this place's shelf, what lies elsewhere, and what its shell checks and
 * stretches have taught of them.
 */
export default route({ permission: 'models.see' }, ({ person: { shopId, placeId } }) =>
  catalogueOf({ shopId, placeId }),
)
