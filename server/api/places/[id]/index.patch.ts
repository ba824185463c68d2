import { placeBody } from '../../../../shared/contracts'
import { audit } from '../../../database/audit'
import { isPlace, renamePlace } from '../../../database/places'
import { transaction } from '../../../database/pool'
import { tellShop } from '../../../http/listener'
import { sameName } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'

/** Names a place. */
export default route({ permission: 'places.change', body: placeBody }, ({ event, person, body }) =>
  transaction(async (db) => {
    const at = { shopId: person.shopId, placeId: idParam(event) }
    here((await isPlace(db, at)) || null)
    if (!(await renamePlace(db, at, body.name))) throw sameName()
    await audit(db, { shopId: person.shopId, person, action: `place.name ${body.name}` })
    await tellShop(db, person.shopId, { what: 'sessions' })
    return { name: body.name }
  }),
)
