import { ACTIVITIES } from './activities'
import type { FittingRecord } from './schema'

const BOOT_FAMILIES = new Set(['rigid-shell', 'skate', 'riding-shoe'])

/** Is the activity's footwear rigid and snug? */
export const isBootActivity = (activity: string | undefined): boolean =>
  ACTIVITIES.find((a) => a.id === activity)?.families.some((f) => BOOT_FAMILIES.has(f)) ?? false

/** Room that footwear for this activity and intent leaves under a device. */
export function deviceRoom(record: FittingRecord): 'low' | 'usual' {
  const { activity, intent } = record.story ?? {}
  return intent === 'race' || activity === 'road-riding' || activity === 'dress' ? 'low' : 'usual'
}
