import { firstOwnerBody } from '../../shared/contracts'
import { audit } from '../database/audit'
import { claimOwner, FIRST_OWNER } from '../database/people'
import { database, transaction } from '../database/pool'
import { countTry, tryWasRight } from '../database/signInTries'
import { HttpProblem, loginTaken, waitProblem } from '../http/problem'
import { route } from '../http/route'
import { addressOf, startSession } from '../http/session'

/**
 * The one-time code printed at the first start becomes an owner. Wrong codes are slowed like wrong
 * passwords.
 */
export default route({ permission: 'public', body: firstOwnerBody }, async ({ event, body }) => {
  const attempt = { login: FIRST_OWNER, address: addressOf(event) }
  const seconds = await countTry(database(), attempt)
  if (seconds > 0) throw waitProblem(seconds)
  const person = await transaction((db) => claimOwner(db, body.code, body))
  if (!person)
    throw new HttpProblem(401, 'wrong', 'This is not the code that the terminal printed.')
  if (person === 'taken') throw loginTaken()
  await tryWasRight(database(), attempt)
  await startSession(event, person)
  await audit(database(), { shopId: person.shopId, person, action: 'owner.claimed' })
  return { id: person.id, name: person.name, role: person.role }
})
