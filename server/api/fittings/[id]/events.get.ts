import { createEventStream } from 'h3'
import { readFitting } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { onFittingChange } from '../../../http/listener'
import { here, idParam, route } from '../../../http/route'

/** Server-sent events: which part of this fitting changed. Carries no content; the screen asks for it. */
export default route({ permission: 'fittings.see' }, async ({ event, person }) => {
  const id = idParam(event)
  here(await readFitting(database(), person.shopId, id))
  const stream = createEventStream(event)
  const stop = onFittingChange(id, (change) => void stream.push({ event: 'part', data: JSON.stringify(change) }))
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), 25_000)
  stream.onClosed(() => {
    clearInterval(beat)
    stop()
  })
  void stream.push({ event: 'open', data: '' })
  return stream.send()
})
