import type { FootFit, MatchSettings } from './fitFoot'

/**
 * Score of a pair: the mean of its feet, a split pair with what it costs. Of one foot it is that
 * foot's.
 *
 * @param scores of one foot or both
 * @example pairScore([2, 4], true, { split: 0.75 }) // 3.375
 */
export const pairScore = (
  scores: readonly number[],
  isSplit: boolean,
  { split }: Pick<MatchSettings['rows']['rankingWeights'], 'split'>,
): number =>
  (scores.reduce((sum, score) => sum + score, 0) + (isSplit ? split : 0)) /
  Math.max(1, scores.length)

const isOut = ({ because }: FootFit) => (because === null ? 0 : 1)

/** The fit that costs least: what can be made to fit before what cannot, the first of equals. */
export const leastFit = (fits: readonly FootFit[]): FootFit =>
  fits.reduce((best, fit) =>
    isOut(fit) < isOut(best) || (isOut(fit) === isOut(best) && fit.score < best.score) ? fit : best,
  )
