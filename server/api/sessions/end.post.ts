import { endSessionsBody } from '../../../shared/contracts'
import { may } from '../../../shared/permissions'
import { audit } from '../../database/audit'
import { transaction } from '../../database/pool'
import { endSessions } from '../../database/sessions'
import { tellShop } from '../../http/listener'
import { route } from '../../http/route'

/**
 * Ends one session, all of one's own but this, or everybody's of the shop but this. Whoever may not
 * end others' ends their own only.
 */
export default route(
  { permission: 'self.change', body: endSessionsBody },
  async ({ person, session, body }) => {
    const { shopId } = person
    const all = body.of !== 'mine' && may(person.role, 'sessions.end')
    const ended = await transaction(async (db) => {
      const those = await endSessions(db, {
        shopId,
        person: all ? undefined : person.id,
        session: body.session,
        but: session.id,
      })
      for (const { name } of those)
        await audit(db, { shopId, person, action: `sign-out.ended ${name}`.slice(0, 100) })
      await tellShop(db, shopId, { what: 'sessions' })
      return those
    })
    return { ended: ended.length }
  },
)
