import { awaitsFirstOwner, demoPeople } from '../database/people'
import { database } from '../database/pool'
import { route } from '../http/route'
import { signedIn } from '../http/session'

/**
 * What the sign-in page shows: demo people when there are any, whether a first owner is awaited,
 * and who is signed in already.
 */
export default route({ permission: 'public' }, async ({ event }) => {
  const person = await signedIn(event)
  return {
    demo: await demoPeople(database()),
    firstOwner: await awaitsFirstOwner(database()),
    person: person && { id: person.id, name: person.name, role: person.role },
  }
})
