import { database } from '../../database/pool'
import { listPeople } from '../../database/staff'
import { route } from '../../http/route'

/** Everybody of the shop, those who were invited and those who left too. */
export default route({ permission: 'people.see' }, async ({ person }) => ({
  people: await listPeople(database(), person.shopId),
}))
