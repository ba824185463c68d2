import { pinBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { keepPin, mustWait, signIn } from '../../database/people'
import { database } from '../../database/pool'
import { HttpProblem, waitProblem } from '../../http/problem'
import { route } from '../../http/route'
import { addressOf } from '../../http/session'

/** A PIN of one's own, or none: whoever sets it shows first that it is them. */
export default route(
  { permission: 'self.change', body: pinBody },
  async ({ event, person, session, body }) => {
    const attempt = { login: session.login, address: addressOf(event) }
    const them = await signIn(database(), attempt, body.password)
    if (mustWait(them)) throw waitProblem(them.seconds)
    if (them?.id !== person.id)
      throw new HttpProblem(400, 'wrong', 'This is not your password.', { path: 'password' })
    await keepPin(database(), person.id, body.pin)
    await audit(database(), { shopId: person.shopId, person, action: 'self.pin' })
    return { hasPin: body.pin !== null }
  },
)
