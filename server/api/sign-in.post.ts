import { signInBody } from '../../shared/contracts'
import { audit } from '../database/audit'
import { secondsToWait, signIn } from '../database/people'
import { database } from '../database/pool'
import { HttpProblem } from '../http/problem'
import { route } from '../http/route'
import { startSession } from '../http/session'

export default route({ permission: 'public', body: signInBody }, async ({ event, body }) => {
  const wait = await secondsToWait(database(), body.login)
  if (wait > 0) throw new HttpProblem(429, 'wait', `Too many tries. Wait ${wait} seconds.`)
  const person = await signIn(database(), body.login, body.password)
  if (!person) throw new HttpProblem(401, 'wrong', 'Name and password do not belong together.')
  await startSession(event, person)
  await audit(database(), { shopId: person.shopId, person, action: 'sign-in' })
  return { id: person.id, name: person.name, role: person.role }
})
