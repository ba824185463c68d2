import { activityOf } from '../../record/activities'
import type { FittingRecord } from '../../record/schema'
import type { FORCES } from '../../record/storySchema'
import { ACTIVITY_FACTOR, COMFORT_GIVE_MM } from '../estimateLimits'

export const COMFORT_CLASSES = ['stiff', 'some give', 'springy'] as const
export type ComfortClass = (typeof COMFORT_CLASSES)[number]

/** What goes through the footwear of a record: as told, else as its activity usually brings. */
export const forceOf = ({ story }: FittingRecord): (typeof FORCES)[number] =>
  story?.force ?? activityOf(story?.activity)?.force ?? 'usual'

/** The part of a shop's table that a feel is judged by. */
export interface ComfortLimits {
  comfortGiveMm: readonly [number, number]
  activityFactor: Record<(typeof FORCES)[number], number>
}

/**
 * How a shell will feel: what its arch gives under the force of a body in its activity.
 *
 * @param standingN force on the arch in quiet standing, from body weight
 * @param limits the shop's own; the house's otherwise
 * @returns give in mm and its class
 * @example comfortOf(38, 32, 'usual') // { giveMm: 1.26, class: 'some give' }
 */
export function comfortOf(
  archStiffnessNPerMm: number,
  standingN: number,
  force: (typeof FORCES)[number],
  limits: ComfortLimits = { comfortGiveMm: [...COMFORT_GIVE_MM], activityFactor: ACTIVITY_FACTOR },
): { giveMm: number; class: ComfortClass } {
  const giveMm = (standingN * limits.activityFactor[force]) / archStiffnessNPerMm
  return {
    giveMm,
    class: COMFORT_CLASSES[limits.comfortGiveMm.filter((limit) => giveMm >= limit).length]!,
  }
}
