import { passwordBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { mustWait, signIn } from '../../database/people'
import { database, transaction } from '../../database/pool'
import { keepPassword } from '../../database/staff'
import { HttpProblem, waitProblem } from '../../http/problem'
import { route } from '../../http/route'
import { addressOf } from '../../http/session'

/** Another password of one's own: whoever sets it shows the old one first. */
export default route(
  { permission: 'self.change', body: passwordBody },
  async ({ event, person, session, body }) => {
    const attempt = { login: session.login, address: addressOf(event) }
    const them = await signIn(database(), attempt, body.password)
    if (mustWait(them)) throw waitProblem(them.seconds)
    if (them?.id !== person.id)
      throw new HttpProblem(400, 'wrong', 'This is not your password.', { path: 'password' })
    const { shopId } = person
    await transaction(async (db) => {
      await keepPassword(db, { shopId, personId: person.id, session: session.id }, body.next)
      await audit(db, { shopId, person, action: 'self.password' })
    })
    return {}
  },
)
