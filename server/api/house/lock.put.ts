import { lockBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { database } from '../../database/pool'
import { keepLockMinutes } from '../../database/sessions'
import { route } from '../../http/route'

/** After how many minutes without touch the shop's pages hide. */
export default route({ permission: 'sessions.end', body: lockBody }, async ({ person, body }) => {
  await keepLockMinutes(database(), person.shopId, body.minutes)
  await audit(database(), {
    shopId: person.shopId,
    person,
    action: `owner.lock ${body.minutes} min`,
  })
  return { minutes: body.minutes }
})
