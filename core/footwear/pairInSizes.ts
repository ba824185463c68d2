import { SIDES, type Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { fitFoot, type FootFit, type MatchSettings } from './fitFoot'
import type { Feet, PairFit } from './match'
import { leastFit, pairScore } from './pairScore'
import { reasonsOf, sizeWords } from './reasons'

/** Sizes that a fitter takes, each foot its own. */
export type TakenSizes = Partial<Record<Side, number>>

/** A pair in sizes that were taken, not ranked. */
export interface TakenPair extends PairFit {
  /** why no work makes it fit, by foot; null where it can */
  because: string | null
}

/**
 * Any model in any size for each foot: clearances, work and reasons as the ranking tells them, also
 * of what no work makes fit. A foot without a taken size has the one that costs least.
 *
 * @param sizes as taken; a size that the model is not made in is left to the model's own
 * For instance `pairInSizes(feet, model, settings, { left: 270 }).left.sizeMm` is 270
 */
export function pairInSizes(
  feet: Feet,
  model: FootwearModel,
  settings: MatchSettings,
  sizes: TakenSizes,
): TakenPair {
  const fits = SIDES.flatMap((side): [Side, FootFit][] => {
    const foot = feet[side]
    if (!foot) return []
    const size = sizes[side]
    const isMade = size !== undefined && model.sizesMm.includes(size)
    const offered = isMade ? [size] : model.sizesMm
    return [[side, leastFit(offered.map((mm) => fitFoot(foot, side, model, mm, settings)))]]
  })
  const isSplit = fits.length === 2 && fits[0]![1].sizeMm !== fits[1]![1].sizeMm
  const out = fits.flatMap(([side, fit]) =>
    fit.because === null ? [] : [`${side} ${sizeWords(fit.sizeMm)}: ${fit.because}`],
  )
  return {
    model: model.id,
    ...Object.fromEntries(fits),
    score: pairScore(
      fits.map(([, fit]) => fit.score),
      isSplit,
      settings.rows.rankingWeights,
    ),
    work: fits.flatMap(([, fit]) => fit.work),
    reasons: reasonsOf(fits, model, settings),
    because: out.length > 0 ? out.join('; ') : null,
  }
}
