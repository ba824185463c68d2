import type { PartName } from '../../core/record/parts'

/** What a part is before anybody has put something there. */
export const EMPTY_PARTS: Partial<Record<PartName, unknown>> = {
  'device.left': null,
  'device.right': null,
  legLength: null,
  'readings.left': [],
  'readings.right': [],
  'devices.left': [],
  'devices.right': [],
  'versions.left': [],
  'versions.right': [],
  orders: [],
  jobs: [],
  quotes: [],
  rounds: [],
  making: {},
  followups: [],
  ledger: [],
}
