import { firstOwnerBody } from '../../shared/contracts'
import { audit } from '../database/audit'
import { claimOwner, secondsToWait, signIn } from '../database/people'
import { database, transaction } from '../database/pool'
import { HttpProblem } from '../http/problem'
import { route } from '../http/route'
import { startSession } from '../http/session'

/**
 * The one-time code printed at the first start becomes an owner. Wrong codes are slowed like wrong
 * passwords.
 */
export default route({ permission: 'public', body: firstOwnerBody }, async ({ event, body }) => {
  const wait = await secondsToWait(database(), 'first-owner')
  if (wait > 0) throw new HttpProblem(429, 'wait', `Too many tries. Wait ${wait} seconds.`)
  const person = await transaction((db) =>
    claimOwner(db, body.code, body.name, body.login, body.password),
  )
  if (!person) {
    await signIn(database(), 'first-owner', body.code)
    throw new HttpProblem(401, 'wrong', 'This is not the code that the terminal printed.')
  }
  await startSession(event, person)
  await audit(database(), { shopId: person.shopId, person, action: 'owner.claimed' })
  return { id: person.id, name: person.name, role: person.role }
})
