import { useIntervalFn } from '@vueuse/core'
import { computed, watch } from 'vue'
import { hear } from '~/browser/news'
import { useLastTouch } from '~/browser/lastTouch'
import { useSession } from '~/stores/session'

/** Without the shop's own word for it, minutes. */
const MINUTES = 10
/** How often it is looked whether that time has passed, ms. */
const LOOK_MS = 1_000

/**
 * A page that nobody touches hides itself after the shop's minutes, in all tabs of a browser
 * together, and one whose session was ended elsewhere at once.
 */
export default defineNuxtPlugin(() => {
  const session = useSession()
  const patienceMs = computed(() => (session.page?.lock?.minutes ?? MINUTES) * 60_000)
  const { lastTouch, say } = useLastTouch((said) => {
    if (!session.person) return
    if (said === 'locked') session.lock('locked')
    else void (said === 'opened' ? session.openedElsewhere() : session.refresh())
  })
  // A machine that slept wakes by a touch: the time before it counts.
  watch(lastTouch, (now, before) => now - before > patienceMs.value && hide(), { flush: 'sync' })
  useIntervalFn(() => Date.now() - lastTouch.value > patienceMs.value && hide(), LOOK_MS)
  function hide() {
    if (session.person && !session.locked) void session.lockNow()
  }
  watch(
    () => session.locked,
    (locked) => {
      if (session.asks === 'locked') say(locked ? 'locked' : 'opened')
    },
  )
  let deaf: (() => void) | undefined
  watch(
    () => session.person?.id,
    async (id) => {
      deaf?.()
      deaf = undefined
      say('person')
      if (!id) return
      // Nothing of the server is needed to hide a page: what shows it again is there before.
      void import('~/components/LockDialog.vue').catch(() => undefined)
      await session.refresh()
      deaf = hear(({ what }) => what === 'sessions' && void session.refresh())
    },
    { immediate: true },
  )
})
