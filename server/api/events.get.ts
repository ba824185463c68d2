import { database } from '../database/pool'
import { openSession } from '../database/sessions'
import { eventStream } from '../http/eventStream'
import { onShopChange } from '../http/listener'
import { route } from '../http/route'

/**
 * Server-sent events: what changed in this shop, one stream for a whole browser. Carries no
 * content; a screen asks for what it shows. A session that was ended hears nothing more.
 */
export default route({ permission: 'today.see' }, ({ event, person, session }) =>
  eventStream(event, (push, end) =>
    onShopChange(person.shopId, async ({ what, ...change }) => {
      push(what, JSON.stringify(change))
      if (
        what === 'sessions' &&
        !(await openSession(database(), session.id, null).catch(() => session))
      )
        end()
    }),
  ),
)
