import { getQuery } from 'h3'
import { may } from '../../../shared/permissions'
import { database } from '../../database/pool'
import { listSessions } from '../../database/sessions'
import { route } from '../../http/route'

/** Where one is signed in; with `of=shop` where everybody is, for those who may end that. */
export default route({ permission: 'self.see' }, async ({ event, person, session }) => {
  const all = getQuery(event).of === 'shop' && may(person.role, 'sessions.end')
  return {
    sessions: await listSessions(database(), {
      shopId: person.shopId,
      person: all ? undefined : person.id,
      session: session.id,
    }),
  }
})
