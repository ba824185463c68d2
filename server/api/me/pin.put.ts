import { pinBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { keepPin } from '../../database/people'
import { database } from '../../database/pool'
import { provePassword } from '../../http/ownPassword'
import { route } from '../../http/route'

/** A PIN of one's own, or none. */
export default route(
  { permission: 'self.change', body: pinBody },
  async ({ event, person, session, body }) => {
    await provePassword(event, session, body.password)
    await keepPin(database(), person.id, body.pin)
    await audit(database(), { shopId: person.shopId, person, action: 'self.pin' })
    return { hasPin: body.pin !== null }
  },
)
