import { signInBody } from '../../shared/contracts'
import { audit } from '../database/audit'
import { mustWait, signIn } from '../database/people'
import { database } from '../database/pool'
import { HttpProblem, waitProblem } from '../http/problem'
import { route } from '../http/route'
import { addressOf, startSession } from '../http/session'

export default route({ permission: 'public', body: signInBody }, async ({ event, body }) => {
  const attempt = { login: body.login, address: addressOf(event) }
  const person = await signIn(database(), attempt, body.password)
  if (mustWait(person)) throw waitProblem(person.seconds)
  if (!person) throw new HttpProblem(401, 'wrong', 'Name and password do not belong together.')
  await startSession(event, person, body.place)
  await audit(database(), { shopId: person.shopId, person, action: 'sign-in' })
  return { id: person.id, name: person.name, role: person.role }
})
