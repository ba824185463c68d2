import { freshest } from '../../database/freshest'
import { stockElsewhere } from '../../database/models'
import type { At } from '../../database/places'
import { database } from '../../database/pool'
import { reservedAt, shelfOf } from '../../database/shelf'
import { route } from '../../http/route'

/** The same for all who ask at once. */
const shelf = freshest(async (at: At) => ({
  stock: await shelfOf(database(), at),
  reserved: await reservedAt(database(), at),
  elsewhere: await stockElsewhere(database(), at),
}))

/** What lies on this place's shelf now, what of it is chosen by whom, and what lies elsewhere. */
export default route({ permission: 'models.see' }, ({ person: { shopId, placeId } }) =>
  shelf({ shopId, placeId }),
)
