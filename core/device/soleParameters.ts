import type { Foot } from '../record/schema'
import { archHeightIndexOf } from '../measure/archIndex'
import { expectedForefootWidthMm } from '../measure/norms'
import { bestMean } from '../measure/reading'

/** What the parametric sole needs to know of a foot, mm and degrees. */
export interface SoleParameters {
  lengthMm: number
  forefootWidthMm: number
  heelWidthMm: number
  navicularHeightMm: number
  forefootDeg: number
  castDeg: number
  secondToeLeadMm: number
  lateralArchMm: number
}

/** Which of the parameters were not measured and came from a rule instead. */
export type AssumedParameter =
  'forefootWidthMm' | 'heelWidthMm' | 'navicularHeightMm' | 'forefootDeg'

const meanOf = (values: readonly number[] | undefined) =>
  values && values.length > 0 ? values.reduce((sum, v) => sum + v, 0) / values.length : undefined

/**
 * Parameters of the sole surface from a foot's readings. Missing widths follow the expected line (0.377·L) and 0.245·L; a missing navicular
 * height follows 44 + 220·(AHI − 0.36), an own assumption; the forefoot angle is the mean of the trials, else 0.
 *
 * @returns null when there is no foot length to build on
 * @example soleParameters(footOfLength265)?.parameters.heelWidthMm // 64.9
 */
export function soleParameters(
  foot: Foot,
  castDeg = 0,
): { parameters: SoleParameters; assumed: AssumedParameter[] } | null {
  const lengthMm = bestMean(foot, 'footLengthMm', 'standing')
  if (lengthMm === undefined) return null
  const assumed: AssumedParameter[] = []
  const orAssume = (value: number | undefined, name: AssumedParameter, rule: () => number) => {
    if (value !== undefined) return value
    assumed.push(name)
    return rule()
  }
  const index = archHeightIndexOf(foot, 'standing') ?? archHeightIndexOf(foot, 'sitting')
  return {
    parameters: {
      lengthMm,
      forefootWidthMm: orAssume(
        bestMean(foot, 'forefootWidthMm', 'standing'),
        'forefootWidthMm',
        () => expectedForefootWidthMm(lengthMm),
      ),
      heelWidthMm: orAssume(
        bestMean(foot, 'heelWidthMm', 'standing'),
        'heelWidthMm',
        () => 0.245 * lengthMm,
      ),
      navicularHeightMm: orAssume(
        bestMean(foot, 'navicularHeightMm', 'standing'),
        'navicularHeightMm',
        () => 44 + 220 * ((index ?? 0.36) - 0.36),
      ),
      forefootDeg: orAssume(meanOf(foot.findings?.forefootDeg), 'forefootDeg', () => 0),
      castDeg,
      secondToeLeadMm: bestMean(foot, 'secondToeLeadMm', 'standing') ?? -3,
      lateralArchMm: 2.2,
    },
    assumed,
  }
}
