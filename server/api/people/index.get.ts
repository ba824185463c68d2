import { may } from '../../../shared/permissions'
import { database } from '../../database/pool'
import { listPeople } from '../../database/staff'
import { route } from '../../http/route'

/** Everybody of the shop, those who were invited and those who left too; sign-in names are the owner's to see. */
export default route({ permission: 'people.see' }, async ({ person }) => {
  const people = await listPeople(database(), person.shopId)
  const isOwner = may(person.role, 'people.change')
  return { people: isOwner ? people : people.map((one) => ({ ...one, login: '' })) }
})
