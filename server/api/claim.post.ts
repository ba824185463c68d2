import { claimBody } from '../../shared/contracts'
import { audit } from '../database/audit'
import { claimCode } from '../database/people'
import { database, transaction } from '../database/pool'
import { endSessions } from '../database/sessions'
import { countTry, tryWasRight } from '../database/signInTries'
import { tellShop } from '../http/listener'
import { HttpProblem, loginTaken, waitProblem } from '../http/problem'
import { route } from '../http/route'
import { addressOf, startSession } from '../http/session'

/** What tries of codes are counted under, whoever's they are. */
const CLAIM = 'claim'

/**
 * A code from the owner becomes a sign-in name and a password of one's own. Wrong codes are slowed like wrong
 * passwords.
 */
export default route({ permission: 'public', body: claimBody }, async ({ event, body }) => {
  const attempt = { login: CLAIM, address: addressOf(event) }
  const seconds = await countTry(database(), attempt)
  if (seconds > 0) throw waitProblem(seconds)
  const person = await transaction(async (db) => {
    const them = await claimCode(db, body.code, body)
    // A forgotten password may be a stolen one: whoever was in with it is out.
    if (them && them !== 'taken') await endSessions(db, { shopId: them.shopId, person: them.id })
    return them
  })
  if (!person)
    throw new HttpProblem(
      401,
      'wrong',
      'No such code waits, or it ran out. Ask the owner for a new one.',
    )
  if (person === 'taken') throw loginTaken()
  await tryWasRight(database(), attempt)
  await startSession(event, person)
  await audit(database(), { shopId: person.shopId, person, action: 'person.claimed' })
  await tellShop(database(), person.shopId, { what: 'sessions' })
  return { id: person.id, name: person.name, role: person.role }
})
