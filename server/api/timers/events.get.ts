import { eventStream } from '../../http/eventStream'
import { onFittingChange } from '../../http/listener'
import { route } from '../../http/route'

/** Server-sent events: a timer of this shop changed. The screen asks which. */
export default route({ permission: 'timers.see' }, ({ event, person }) => eventStream(event, (push) => onFittingChange(`timers ${person.shopId}`, () => push('timers', ''))))
