import { plainCopy } from '~/browser/plainCopy'
import { deviceDiff } from '../../core/device/deviceDiff'
import { versionsOf } from '../../core/device/severalDevices'
import type { Device } from '../../core/record/schema'
import type { Side } from '../../core/tables/vocabulary'
import { useFitting } from '~/stores/fitting'
import { useSession } from '~/stores/session'
import { useChanges } from '~/stores/changes'

/** Versions of the devices of the open fitting. */
export function useDeviceVersions() {
  const fitting = useFitting()
  const changes = useChanges()
  const session = useSession()
  /** Keeps the device as it is as a version, with why; not when it is the same as the last one. */
  function keepVersion(side: Side, words: string): boolean {
    const list = fitting.record.feet[side]!.deviceVersions ?? []
    const now = fitting.record.feet[side]!.device ?? null
    const last = versionsOf(fitting.record.feet[side]!).at(-1)
    if (last && deviceDiff(last.device, now, fitting.norms).length === 0) return false
    const by = session.person?.name
    changes.said =
      changes.put(
        `versions.${side}`,
        [
          ...list,
          {
            device: plainCopy(now),
            words: words.slice(0, 200),
            ...(by && { by }),
            at: new Date().toISOString(),
          },
        ].slice(-60),
        `version ${side}`,
      ) ?? ''
    return true
  }
  /**
   * Puts another device in place of this one; what was there is kept as a version. Returns what was
   * refused, or nothing.
   */
  function replaceDevice(side: Side, next: Device, words: string): string {
    if (fitting.record.feet[side]!.device) keepVersion(side, `before: ${words}`)
    return changes.put(`device.${side}`, plainCopy(next), `${words} ${side}`) ?? ''
  }
  return { keepVersion, replaceDevice }
}
