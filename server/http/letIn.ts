import type { H3Event } from 'h3'
import { audit } from '../database/audit'
import type { SignedIn } from '../database/people'
import { database, transaction, type Client } from '../database/pool'
import { endSessions } from '../database/sessions'
import { countTry, tryWasRight } from '../database/signInTries'
import { tellShop } from './listener'
import { HttpProblem, loginTaken, waitProblem } from './problem'
import { addressOf, startSession } from './session'

interface Entry {
  /** what tries of such codes are counted under */
  tries: string
  take: (db: Client) => Promise<SignedIn | 'taken' | null>
  /** said of a code that opens nothing */
  wrong: string
  /** what the trail says of it */
  action: string
}

/**
 * Lets somebody in by a one-time code: wrong codes are slowed like wrong passwords, whoever was in before as the same
 * person is out (a forgotten password may be a stolen one), and a session begins.
 */
export async function letIn(event: H3Event, { tries, take, wrong, action }: Entry) {
  const attempt = { login: tries, address: addressOf(event) }
  const seconds = await countTry(database(), attempt)
  if (seconds > 0) throw waitProblem(seconds)
  const person = await transaction(async (db) => {
    const them = await take(db)
    if (them && them !== 'taken') await endSessions(db, { shopId: them.shopId, person: them.id })
    return them
  }).catch((error: { code?: string }) => {
    // Two chose one sign-in name at the same moment: the database let one of them in.
    if (error.code === UNIQUE) return 'taken' as const
    throw error
  })
  if (!person) throw new HttpProblem(401, 'wrong', wrong)
  if (person === 'taken') throw loginTaken()
  await tryWasRight(database(), attempt)
  await startSession(event, person)
  await audit(database(), { shopId: person.shopId, person, action })
  await tellShop(database(), person.shopId, { what: 'sessions' })
  return { id: person.id, name: person.name, role: person.role }
}
/** What PostgreSQL calls a second row where there may be one. */
const UNIQUE = '23505'
