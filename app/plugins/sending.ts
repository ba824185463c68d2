import { useEventListener, useIntervalFn } from '@vueuse/core'
import { watch } from 'vue'
import { useSession } from '~/stores/session'

/** Between two looks at what waits, where nothing else has given a reason to send, ms. */
const LOOK_MS = 20_000

/** What somebody typed is sent from wherever they are in the application, once they are known. */
export default defineNuxtPlugin(() => {
  const session = useSession()
  async function send() {
    if (!session.person || session.locked) return
    // Nobody's first page waits for what it takes to send.
    const [{ useQueue }, { useOutbox }, { useFiles }] = await Promise.all([
      import('~/stores/queue'),
      import('~/stores/outbox'),
      import('~/stores/files'),
    ])
    await Promise.all([useQueue().flush(), useOutbox().flush(), useFiles().flush()])
  }
  watch(() => [session.person?.id, session.locked], send, { flush: 'post' })
  useEventListener(window, 'online', send)
  useIntervalFn(send, LOOK_MS)
})
