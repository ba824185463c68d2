import { agreementOf } from '../measure/agreement'

/** What the tries of an angle that count say: mean, spread, whether they agree. */
export interface AngleSummary {
  meanDeg: number
  spreadDeg: number
  trials: number
  /** the spread is above its limit: take another */
  repeat: boolean
  /** the closest ones lie within the limit */
  agreed: boolean
  /** the odd tries that may be struck, degrees */
  oddDeg: number[]
  /** five tries and none agree: the spread goes along */
  notRepeatable: boolean
}

/**
 * Mean, spread and agreement of an angle's tries, judged as those of a reading.
 *
 * @param trials those that count, degrees
 * @param limitDeg spread above which one more is asked for: 2° for alignment, 5° for ranges
 * @returns null when there is no trial
 * For instance `summariseAngle([7, 8], 2)` has meanDeg 7.5, spreadDeg 1, repeat false
 */
export function summariseAngle(
  trials: readonly number[] | undefined,
  limitDeg: number,
): AngleSummary | null {
  const found = trials && agreementOf(trials, limitDeg)
  if (!found) return null
  const { mean, spread, odd, ...rest } = found
  return { meanDeg: mean, spreadDeg: spread, ...rest, oddDeg: odd.map((i) => trials[i]!) }
}

/** Whole degrees and tenths without a trailing zero. @example degreesText(7.04) // '7' */
export const degreesText = (value: number): string => Number(Math.abs(value).toFixed(1)).toString()

/** Below this an angle is called level or upright, degrees. */
const LEVEL_DEG = 0.5

/**
 * An angle with its direction: + is the first word, − the second. @example directed(-5, 'varus',
 * 'valgus', 'level') // '5° valgus'
 */
export const directed = (deg: number, plus: string, minus: string, level: string): string =>
  Math.abs(deg) < LEVEL_DEG ? level : `${degreesText(deg)}° ${deg > 0 ? plus : minus}`
export const varusWords = (deg: number): string => directed(deg, 'varus', 'valgus', 'level')
export const inversionWords = (deg: number): string =>
  directed(deg, 'inverted', 'everted', 'upright')
