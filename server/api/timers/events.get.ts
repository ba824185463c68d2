import { eventStream } from '../../http/eventStream'
import { onFittingChange } from '../../http/listener'
import { route } from '../../http/route'

/**
 * Server-sent events: a timer of this shop changed, or something at its bench. The screen asks
 * which.
 */
export default route({ permission: 'timers.see' }, ({ event, person }) =>
  eventStream(event, (push) => {
    const stops = (['timers', 'bench'] as const).map((what) =>
      onFittingChange(`${what} ${person.shopId}`, () => push(what, '')),
    )
    return () => stops.forEach((stop) => stop())
  }),
)
