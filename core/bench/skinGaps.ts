import { skinCheck } from '../record/skinCheck'
import type { BenchStep } from './jobSteps'
import { stateOf, stepKey, type Wearer } from '../record/stepState'
import type { Job } from '../record/schema'

/**
 * Steps on warm skin that a list of jobs puts under way or behind without the temperature that they
 * ask for, or above the skin's limit; what stood so before is left as it is. A whole list can be
 * written (taking back does), but not past this.
 *
 * @param steps the job's steps as they stood before
 */
export function skinGaps(
  steps: readonly BenchStep[],
  next: readonly Job[],
  wearer: Wearer,
): BenchStep[] {
  const entries = new Map(next.map((j) => [stepKey(j.step, j.foot), j]))
  return steps.filter((s) => {
    const entry = entries.get(s.key)
    const state = stateOf(entry)
    if (s.skinMin === undefined || (state !== 'running' && state !== 'done') || s.state === state)
      return false
    return (
      entry!.celsius === undefined || skinCheck(entry!.celsius, s.skinMin, wearer).answer === 'stop'
    )
  })
}
