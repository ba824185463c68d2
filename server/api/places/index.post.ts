import { placeBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { addPlace } from '../../database/places'
import { transaction } from '../../database/pool'
import { tellShop } from '../../http/listener'
import { sameName } from '../../http/problem'
import { route } from '../../http/route'

/** Opens a further place of the shop. */
export default route({ permission: 'places.change', body: placeBody }, ({ person, body }) =>
  transaction(async (db) => {
    const id = await addPlace(db, person.shopId, body.name)
    if (!id) throw sameName()
    await audit(db, { shopId: person.shopId, person, action: `place.open ${body.name}` })
    await tellShop(db, person.shopId, { what: 'sessions' })
    return { id }
  }),
)
