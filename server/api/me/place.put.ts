import { toPlaceBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { isPlace, moveSession } from '../../database/places'
import { transaction } from '../../database/pool'
import { tellShop } from '../../http/listener'
import { here, route } from '../../http/route'

/** Works at another place from now on: what is written and shown is of there. */
export default route(
  { permission: 'self.change', body: toPlaceBody },
  ({ person, session, body }) =>
    transaction(async (db) => {
      here((await isPlace(db, { shopId: person.shopId, placeId: body.place })) || null)
      await moveSession(db, session.id, body.place)
      const there = { ...person, placeId: body.place }
      await audit(db, { shopId: person.shopId, person: there, action: 'self.place' })
      await tellShop(db, person.shopId, { what: 'sessions' })
      return { place: body.place }
    }),
)
