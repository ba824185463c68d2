import { useEventListener, useIdle } from '@vueuse/core'
import { ref, watch, type Ref } from 'vue'

type Said = 'here' | 'locked' | 'opened' | 'person'

/** How often the other tabs of this browser hear that somebody is here, ms. */
const TELL_MS = 2_000

/**
 * When somebody last touched this page or another tab of this browser, and a word to those tabs. A
 * hand on one of them counts for all.
 *
 * @param hear what another tab says of the lock, or that somebody else may be signed in
 */
export function useLastTouch(hear: (said: Exclude<Said, 'here'>) => void): {
  lastTouch: Ref<number>
  say: (said: Said) => void
} {
  const lastTouch = ref(Date.now())
  // Only its record of touches is used: a page that comes into sight was not touched by that.
  const { lastActive } = useIdle(undefined, { listenForVisibilityChange: false })
  const tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('gentle-arch')
  const say = (said: Said) => tabs?.postMessage(said)
  let told = 0
  watch(
    lastActive,
    (at) => {
      lastTouch.value = at
      if (at - told < TELL_MS) return
      told = at
      say('here')
    },
    { flush: 'sync' },
  )
  useEventListener(tabs, 'message', ({ data }: MessageEvent<Said>) => {
    if (data === 'here') lastTouch.value = Date.now()
    else hear(data)
  })
  return { lastTouch, say }
}
