import { usualPlaceBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { isPlace, usualPlace } from '../../database/places'
import { transaction } from '../../database/pool'
import { tellShop } from '../../http/listener'
import { here, route } from '../../http/route'

/** Where somebody usually works: the bench there counts on them. */
export default route({ permission: 'places.change', body: usualPlaceBody }, ({ person, body }) =>
  transaction(async (db) => {
    const { shopId } = person
    if (body.place) here((await isPlace(db, { shopId, placeId: body.place })) || null)
    here((await usualPlace(db, shopId, body.person, body.place)) || null)
    await audit(db, { shopId, person, action: 'place.people' })
    await tellShop(db, shopId, { what: 'bench' })
    return body
  }),
)
