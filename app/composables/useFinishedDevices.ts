import { watchDebounced } from '@vueuse/core'
import { onScopeDispose } from 'vue'
import { useFitting } from '~/stores/fitting'
import { useLedger } from '~/stores/ledger'
import { deviceWorker, newestWins } from '~/workers/deviceWorker'
import { SIDES } from '../../core/tables/vocabulary'

/** Devices are built for the ledger when nothing has changed for so long, ms: the drawing comes first. */
const REST_MS = 500

/**
 * Builds the devices of the open fitting a moment after each change and tells the ledger what the finished
 * bodies contradict: how they stand, how thin they are, what meets at one place.
 */
export function useFinishedDevices(): void {
  const fitting = useFitting()
  const ledger = useLedger()
  let isHere = true
  ledger.tellFinished([])
  onScopeDispose(() => (isHere = false))
  const isMade = () =>
    SIDES.some((side) => {
      const { device } = fitting.record.feet[side] ?? {}
      return device && device.kind !== 'none'
    })
  const ask = newestWins(
    async (text: string) => {
      try {
        return text && (await deviceWorker().finished(JSON.parse(text)))
      } catch {
        // A page without workers, or a foot that no device can be built on: nothing is said of it.
        return []
      }
    },
    (found) => isHere && ledger.tellFinished(found || []),
  )
  /** All that the bodies follow from, and nothing that is typed beside it. */
  const followed = () => {
    if (!isMade()) return ''
    const { format, version, feet, footwear, legLengthDifferenceMm, norms } = fitting.record
    const bare = SIDES.flatMap((side) => {
      const foot = feet[side]
      if (!foot) return []
      const { readings, findings, capture, device, moreDevices } = foot
      return [[side, { readings, findings, capture, device, moreDevices }]]
    })
    const whole = { format, version, footwear, legLengthDifferenceMm, norms }
    return JSON.stringify({ ...whole, feet: Object.fromEntries(bare) })
  }
  watchDebounced(followed, ask, { debounce: REST_MS, immediate: true })
}
