import { passwordBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { transaction } from '../../database/pool'
import { keepPassword } from '../../database/staff'
import { provePassword } from '../../http/ownPassword'
import { route } from '../../http/route'

/** Another password of one's own; one's other sessions end. */
export default route(
  { permission: 'self.change', body: passwordBody },
  async ({ event, person, session, body }) => {
    await provePassword(event, session, body.password)
    const { shopId } = person
    await transaction(async (db) => {
      await keepPassword(db, { shopId, personId: person.id, session: session.id }, body.next)
      await audit(db, { shopId, person, action: 'self.password' })
    })
    return {}
  },
)
