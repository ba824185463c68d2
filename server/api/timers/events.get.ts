import { createEventStream } from 'h3'
import { onFittingChange } from '../../http/listener'
import { route } from '../../http/route'

/** Server-sent events: a timer of this shop changed. The screen asks which. */
export default route({ permission: 'timers.see' }, async ({ event, person }) => {
  const stream = createEventStream(event)
  const stop = onFittingChange(`timers ${person.shopId}`, () => void stream.push({ event: 'timers', data: '' }))
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), 25_000)
  stream.onClosed(() => {
    clearInterval(beat)
    stop()
  })
  void stream.push({ event: 'open', data: '' })
  return stream.send()
})
