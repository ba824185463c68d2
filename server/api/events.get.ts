import { eventStream } from '../http/eventStream'
import { onShopChange } from '../http/listener'
import { route } from '../http/route'

/**
 * Server-sent events: what changed in this shop, one stream for a whole browser. Carries no
 * content; a screen asks for what it shows.
 */
export default route({ permission: 'today.see' }, ({ event, person }) =>
  eventStream(event, (push) =>
    onShopChange(person.shopId, ({ what, ...change }) => push(what, JSON.stringify(change))),
  ),
)
