import { awaitsFirstOwner, demoPeople } from '../database/people'
import { listPlaces } from '../database/places'
import { database } from '../database/pool'
import { route } from '../http/route'
import { sessionOf } from '../http/session'

/**
 * What the sign-in page shows: demo people when there are any, whether a first owner is awaited,
 * and who is signed in already, where, perhaps behind a locked page.
 */
export default route({ permission: 'public' }, async ({ event }) => {
  const session = await sessionOf(event)
  const places = session ? await listPlaces(database(), session.person.shopId) : []
  return {
    demo: await demoPeople(database()),
    firstOwner: await awaitsFirstOwner(database()),
    person: session && {
      id: session.person.id,
      name: session.person.name,
      role: session.person.role,
    },
    lock: session && {
      isLocked: session.isLocked,
      hasPin: session.hasPin,
      login: session.login,
      minutes: session.lockMinutes,
    },
    shop: session && { name: session.shopName },
    place: session && { here: session.person.placeId, all: places },
  }
})
