import type { SoleParameters } from '../geometry/soleField'
import type { Foot } from '../record/schema'
import { archHeightIndexOf } from '../measure/archIndex'
import { expectedForefootWidthMm } from '../measure/classes'
import type { Norms } from '../record/tables'
import { bestMean } from '../measure/reading'

/** What an unmeasured part of a foot is taken to be. */
export type SoleRows = Pick<Norms, 'widthPerLength' | 'assumedShape'>

/** An arch height index at which the table states a navicular height. */
const STATED_INDEX = 0.36

/** Which of the parameters were not measured and came from a rule instead. */
export type AssumedParameter =
  'forefootWidthMm' | 'heelWidthMm' | 'navicularHeightMm' | 'forefootDeg'

const meanOf = (values: readonly number[] | undefined) =>
  values && values.length > 0 ? values.reduce((sum, v) => sum + v, 0) / values.length : undefined

/**
 * Parameters of the sole surface from a foot's readings. Missing widths follow the expected shares of
 * length, a missing navicular height the arch height index (0.36 where that is missing too), by the
 * rows of the table; the forefoot angle is the mean of the trials, else 0.
 *
 * @returns null when there is no foot length to build on
 * For instance `soleParameters(footOfLength265, HOUSE_NORMS)?.parameters.heelWidthMm` is 64.9
 */
export function soleParameters(
  foot: Foot,
  rows: SoleRows,
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
  const shape = rows.assumedShape
  const index = archHeightIndexOf(foot, 'standing') ?? archHeightIndexOf(foot, 'sitting')
  return {
    parameters: {
      lengthMm,
      forefootWidthMm: orAssume(
        bestMean(foot, 'forefootWidthMm', 'standing'),
        'forefootWidthMm',
        () => expectedForefootWidthMm(lengthMm, rows),
      ),
      heelWidthMm: orAssume(
        bestMean(foot, 'heelWidthMm', 'standing'),
        'heelWidthMm',
        () => shape.heelPerLength * lengthMm,
      ),
      navicularHeightMm: orAssume(
        bestMean(foot, 'navicularHeightMm', 'standing'),
        'navicularHeightMm',
        () =>
          shape.navicularMm + shape.navicularPerIndexMm * ((index ?? STATED_INDEX) - STATED_INDEX),
      ),
      forefootDeg: orAssume(meanOf(foot.findings?.forefootDeg), 'forefootDeg', () => 0),
      castDeg,
      secondToeLeadMm: bestMean(foot, 'secondToeLeadMm', 'standing') ?? -3,
      lateralArchMm: 2.2,
    },
    assumed,
  }
}
