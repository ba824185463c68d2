import { toPlaceBody } from '../../../../shared/contracts'
import { audit } from '../../../database/audit'
import { closePlace, isPlace, listPlaces } from '../../../database/places'
import { transaction } from '../../../database/pool'
import { tellShop } from '../../../http/listener'
import { HttpProblem } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'

/** Closes a place; what is still to be done there, its people and its shelf go to another. */
export default route(
  { permission: 'places.change', body: toPlaceBody },
  ({ event, person, body }) =>
    transaction(async (db) => {
      const { shopId } = person
      const placeId = idParam(event)
      // One at a time, so that the last two places cannot be closed into each other.
      await db.query('select 1 from shops where id = $1 for no key update', [shopId])
      here((await isPlace(db, { shopId, placeId })) || null)
      here((await isPlace(db, { shopId, placeId: body.place })) || null)
      if (placeId === body.place)
        throw new HttpProblem(
          400,
          'same-place',
          'What is still to be done there goes to another place: choose which.',
          { path: 'place' },
        )
      const { name } = (await listPlaces(db, shopId)).find((place) => place.id === placeId)!
      await closePlace(db, { shopId, placeId }, body.place)
      await audit(db, { shopId, person, action: `place.close ${name}` })
      await tellShop(db, shopId, { what: 'sessions' })
      await tellShop(db, shopId, { what: 'bench' })
      await tellShop(db, shopId, { what: 'timers' })
      return { closed: name }
    }),
)
