import { placesAndPeople } from '../../database/places'
import { database } from '../../database/pool'
import { route } from '../../http/route'

/** Places of the shop, and where everybody usually works. */
export default route({ permission: 'places.see' }, async ({ person }) =>
  placesAndPeople(database(), person.shopId),
)
