import type { H3Event } from 'h3'
import { mustWait, signIn } from '../database/people'
import { database } from '../database/pool'
import type { OpenSession } from '../database/sessions'
import { HttpProblem, waitProblem } from './problem'
import { addressOf } from './session'

/** Whoever changes what opens their pages shows first that it is them; wrong tries are counted like those of signing in. */
export async function provePassword(
  event: H3Event,
  { login, person }: OpenSession,
  password: string,
): Promise<void> {
  const them = await signIn(database(), { login, address: addressOf(event) }, password)
  if (mustWait(them)) throw waitProblem(them.seconds)
  if (them?.id !== person.id)
    throw new HttpProblem(400, 'wrong', 'This is not your password.', { path: 'password' })
}
