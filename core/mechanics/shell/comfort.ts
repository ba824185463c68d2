import { activityOf } from '../../record/activities'
import type { FittingRecord } from '../../record/schema'
import type { FORCES } from '../../record/storySchema'

export const COMFORT_CLASSES = ['stiff', 'some give', 'springy'] as const
export type ComfortClass = (typeof COMFORT_CLASSES)[number]

/** Force on the arch against quiet standing, by what goes through the footwear (house factors). */
export const ACTIVITY_FACTOR: Record<(typeof FORCES)[number], number> = { light: 1, usual: 1.5, hard: 2.5 }
/** Arch give under body weight and activity from which a shell feels as if it gave, and as if it sprang, mm (house limits). */
export const COMFORT_LIMITS_MM = [0.6, 2] as const

/** What goes through the footwear of a record: as told, else as its activity usually brings. */
export const forceOf = ({ story }: FittingRecord): (typeof FORCES)[number] => story?.force ?? activityOf(story?.activity)?.force ?? 'usual'

/**
 * How a shell will feel: what its arch gives under the force of a body in its activity.
 *
 * @param standingN force on the arch in quiet standing, from body weight
 * @returns give in mm and its class
 * @example comfortOf(38, 32, 'usual') // { giveMm: 1.26, class: 'some give' }
 */
export function comfortOf(archStiffnessNPerMm: number, standingN: number, force: (typeof FORCES)[number]): { giveMm: number; class: ComfortClass } {
  const giveMm = (standingN * ACTIVITY_FACTOR[force]) / archStiffnessNPerMm
  return { giveMm, class: COMFORT_CLASSES[COMFORT_LIMITS_MM.filter((limit) => giveMm >= limit).length]! }
}
