import { unlockBody } from '../../shared/contracts'
import { audit } from '../database/audit'
import { mustWait, signIn } from '../database/people'
import { database } from '../database/pool'
import { isPin, unlockSession, type OpenSession } from '../database/sessions'
import { HttpProblem, waitProblem } from '../http/problem'
import { route } from '../http/route'
import { addressOf, sessionOf } from '../http/session'

/** Is it them: by PIN where they have one, else as they signed in. */
async function isThem(
  session: OpenSession,
  address: string,
  body: { pin?: string | undefined; password?: string | undefined },
) {
  if (body.pin !== undefined) return isPin(database(), session.id, body.pin)
  const attempt = { login: session.login, address }
  const person = await signIn(database(), attempt, body.password ?? '')
  if (mustWait(person)) throw waitProblem(person.seconds)
  return person?.id === session.person.id
}

/** Opens a locked session again; the page behind it is as it was. */
export default route({ permission: 'public', body: unlockBody }, async ({ event, body }) => {
  const session = await sessionOf(event)
  if (!session)
    throw new HttpProblem(401, 'signed-out', 'Sign in to go on. What you typed is kept.')
  const { person } = session
  if (!(await isThem(session, addressOf(event), body))) {
    await audit(database(), { shopId: person.shopId, person, action: 'sign-in.refused' })
    const what = body.pin === undefined ? 'password' : 'PIN'
    throw new HttpProblem(
      401,
      'wrong',
      `This is not ${person.name}’s ${what}. After five wrong PINs the password is wanted.`,
    )
  }
  await unlockSession(database(), session.id)
  return { id: person.id, name: person.name, role: person.role }
})
