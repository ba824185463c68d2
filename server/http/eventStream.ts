import { createEventStream, type H3Event } from 'h3'

/**
 * Server-sent events with a beat, so that a dead line is noticed. `subscribe` gets what to push
 * with and returns how to stop.
 */
export function eventStream(
  event: H3Event,
  subscribe: (push: (name: string, data: string) => void, end: () => void) => () => void,
) {
  const stream = createEventStream(event)
  const push = (name: string, data: string) => void stream.push({ event: name, data })
  const stop = subscribe(push, () => void stream.close())
  const beat = setInterval(() => push('beat', ''), 25_000)
  stream.onClosed(() => {
    clearInterval(beat)
    stop()
  })
  push('open', '')
  return stream.send()
}
