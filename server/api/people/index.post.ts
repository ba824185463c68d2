import { inviteBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { transaction } from '../../database/pool'
import { invite } from '../../database/staff'
import { tellShop } from '../../http/listener'
import { route } from '../../http/route'

/** Invites somebody: the code in the answer is shown once, and opens for a week. */
export default route({ permission: 'people.change', body: inviteBody }, ({ person, body }) =>
  transaction(async (db) => {
    const { shopId } = person
    const invited = await invite(db, shopId, body)
    await audit(db, { shopId, person, action: `person.invite ${body.name}`.slice(0, 100) })
    await tellShop(db, shopId, { what: 'sessions' })
    return invited
  }),
)
