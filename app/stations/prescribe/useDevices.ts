import { computed } from 'vue'
import { plainCopy } from '~/browser/plainCopy'
import {
  deviceNames,
  withDeviceNamed,
  withNewDevice,
  type NewDevice,
} from '../../../core/device/severalDevices'
import { Refusal } from '../../../core/record/refusal'
import { splitRecord, type PartName } from '../../../core/record/parts'
import type { FittingRecord } from '../../../core/record/schema'
import { useChanges } from '~/stores/changes'
import { useFitting } from '~/stores/fitting'

/** What another device to work on changes. */
const PARTS: readonly PartName[] = [
  'device.left',
  'device.right',
  'devices.left',
  'devices.right',
  'versions.left',
  'versions.right',
  'footwear',
]

/** The devices of the open fitting: which one is worked on, and another for other footwear. */
export function useDevices() {
  const fitting = useFitting()
  const changes = useChanges()
  const names = computed(() => deviceNames(fitting.record))

  /** Keeps what has changed of a record; returns the sentence that it was refused with, or nothing. */
  function keep(make: () => FittingRecord, words: string): string {
    try {
      const [was, is] = [splitRecord(fitting.record), splitRecord(make())]
      const changed = PARTS.filter((part) => JSON.stringify(was[part]) !== JSON.stringify(is[part]))
      const commands = changed.map((part) => ({
        command: { kind: 'part.put' as const, part, content: plainCopy(is[part] ?? []) },
        words,
      }))
      return changes.changeTogether(commands) ?? ''
    } catch (error) {
      if (error instanceof Refusal) return error.message
      throw error
    }
  }
  const workOn = (name: string) =>
    keep(() => withDeviceNamed(fitting.record, name), `work on ${name}`)
  const begin = (wanted: NewDevice) =>
    keep(() => withNewDevice(fitting.record, wanted), `begin ${wanted.name}`)
  return { names, workOn, begin }
}
