import { activityTold } from '../../record/storyActivity'
import type { FittingRecord } from '../../record/schema'
import type { Norms } from '../../record/tables'
import type { Force } from '../../tables/vocabulary'

const COMFORT_CLASSES = ['stiff', 'some give', 'springy'] as const
export type ComfortClass = (typeof COMFORT_CLASSES)[number]

/** What goes through the footwear of a record: as told, else as its activity usually brings. */
export const forceOf = ({ story }: FittingRecord): Force =>
  story?.force ?? activityTold(story)?.force ?? 'usual'

/**
 * How a shell will feel: what its arch gives under the force of a body in its activity.
 *
 * @param standingN force on the arch in quiet standing, from body weight
 * @param limits the rows a feel is judged by
 * @returns give in mm and its class
 * @example comfortOf(38, 32, 'usual', HOUSE_NORMS) // { giveMm: 1.26, class: 'some give' }
 */
export function comfortOf(
  archStiffnessNPerMm: number,
  standingN: number,
  force: Force,
  limits: Pick<Norms, 'comfortGiveMm' | 'activityFactor'>,
): { giveMm: number; class: ComfortClass } {
  const giveMm = (standingN * limits.activityFactor[force]) / archStiffnessNPerMm
  return {
    giveMm,
    class: COMFORT_CLASSES[limits.comfortGiveMm.filter((limit) => giveMm >= limit).length]!,
  }
}
