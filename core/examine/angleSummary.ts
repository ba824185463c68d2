import { max, mean, min } from 'd3-array'

/**
 * Trials of an angle: mean, spread, repeat. Whole degrees are shown, with the trials beside them.
 */
export interface AngleSummary {
  meanDeg: number
  spreadDeg: number
  trials: number
  repeat: boolean
}

/**
 * Mean and spread of an angle's trials; `repeat` asks for another.
 *
 * @param limitDeg spread above which one more is asked for: 2° for alignment, 5° for ranges
 * @returns null when there is no trial
 * @example summariseAngle([7, 8], 2) // { meanDeg: 7.5, spreadDeg: 1, trials: 2, repeat: false }
 */
export function summariseAngle(
  trials: readonly number[] | undefined,
  limitDeg: number,
): AngleSummary | null {
  if (!trials || trials.length === 0) return null
  const spreadDeg = max(trials)! - min(trials)!
  return {
    meanDeg: mean(trials)!,
    spreadDeg,
    trials: trials.length,
    repeat: spreadDeg > limitDeg + 1e-9,
  }
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
