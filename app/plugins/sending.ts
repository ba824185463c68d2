import { useEventListener, useIntervalFn } from '@vueuse/core'
import { watch } from 'vue'
import { useOutbox } from '~/stores/outbox'
import { useQueue } from '~/stores/queue'
import { useSession } from '~/stores/session'

/** Between two looks at what waits, where nothing else has given a reason to send, ms. */
const LOOK_MS = 20_000

/** What somebody typed is sent from wherever they are in the application, once they are known. */
export default defineNuxtPlugin(() => {
  const session = useSession()
  const queue = useQueue()
  const outbox = useOutbox()
  const send = () => {
    if (!session.person || session.locked) return
    void queue.flush()
    void outbox.flush()
  }
  watch(() => [session.person?.id, session.locked], send, { flush: 'post' })
  useEventListener(window, 'online', send)
  useIntervalFn(send, LOOK_MS)
})
