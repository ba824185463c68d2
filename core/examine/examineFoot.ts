import { acrossMm } from '../geometry/angle'
import { bestMean } from '../measure/reading'
import type { Foot } from '../record/schema'

/** Spread above which an alignment angle is asked for again, degrees. */
export const ALIGNMENT_SPREAD_DEG = 2

/** Trials of an angle: mean, spread, repeat. Whole degrees are shown, with the trials beside them. */
export interface AngleSummary {
  meanDeg: number
  spreadDeg: number
  trials: number
  repeat: boolean
}

/** @example summariseAngle([7, 8]) // { meanDeg: 7.5, spreadDeg: 1, trials: 2, repeat: false } */
export function summariseAngle(trials: readonly number[] | undefined): AngleSummary | null {
  if (!trials || trials.length === 0) return null
  const spreadDeg = Math.max(...trials) - Math.min(...trials)
  return { meanDeg: trials.reduce((a, b) => a + b, 0) / trials.length, spreadDeg, trials: trials.length, repeat: spreadDeg > ALIGNMENT_SPREAD_DEG }
}

export interface FootExamination {
  forefoot: AngleSummary | null
  /** the forefoot angle as a height across the measured forefoot width, mm */
  forefootMm: number | null
  relaxed: AngleSummary | null
  words: string
}

/** Direction of an angle in words beside its sign: + is varus (medial side up). */
export const varusWords = (deg: number): string => (Math.abs(deg) < 0.5 ? 'level' : deg > 0 ? `varus ${fmt(deg)}°` : `valgus ${fmt(-deg)}°`)
const inversionWords = (deg: number) => (Math.abs(deg) < 0.5 ? 'upright' : deg > 0 ? `inverted ${fmt(deg)}°` : `everted ${fmt(-deg)}°`)
const fmt = (value: number) => Number(value.toFixed(1)).toString()

/** Usual forefoot varus, degrees; −2 to 0 counts as 0 within reading error. */
export const USUAL_FOREFOOT_DEG = [-2, 6] as const

/**
 * Forefoot to rearfoot angle in degrees and in mm across the forefoot (d = W·tan θ), and the relaxed stance, with one sentence.
 *
 * @example examineFoot(foot with forefootDeg [7] and width 96).forefootMm // 11.79
 */
export function examineFoot(foot: Foot): FootExamination {
  const forefoot = summariseAngle(foot.findings?.forefootDeg)
  const relaxed = summariseAngle(foot.findings?.rcspDeg)
  const width = bestMean(foot, 'forefootWidthMm', 'standing')
  const forefootMm = forefoot && width !== undefined ? acrossMm(forefoot.meanDeg, width) : null
  const parts: string[] = []
  if (forefoot) {
    const [low, high] = USUAL_FOREFOOT_DEG
    const usual = forefoot.meanDeg >= low && forefoot.meanDeg <= high
    const across = forefootMm === null ? '' : ` (${fmt(Math.abs(forefootMm))} mm across)`
    parts.push(`forefoot ${varusWords(forefoot.meanDeg)}${across}, ${usual ? 'usual' : 'outside the usual band'}`)
  }
  if (relaxed) parts.push(`heel ${inversionWords(relaxed.meanDeg)} in relaxed stance`)
  return { forefoot, forefootMm, relaxed, words: parts.length > 0 ? parts.join('; ') : 'not examined yet' }
}
