import { SIDES, type Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { fitFoot, type FootFit, type MatchSettings } from './fitFoot'
import type { Feet, PairFit } from './match'
import { reasonsOf, sizeWords } from './reasons'

/** Sizes that a fitter takes, each foot its own. */
export type TakenSizes = Partial<Record<Side, number>>

/** A pair in sizes that were taken, not ranked. */
export interface TakenPair extends PairFit {
  /** why no work makes it fit, by foot; null where it can */
  because: string | null
}

/** The size that costs least, what can be made to fit before what cannot. */
function leastSize(
  foot: NonNullable<Feet[Side]>,
  side: Side,
  model: FootwearModel,
  settings: MatchSettings,
): FootFit {
  const fits = model.sizesMm.map((size) => fitFoot(foot, side, model, size, settings))
  const isOut = (fit: FootFit) => (fit.because === null ? 0 : 1)
  return fits.reduce((best, fit) =>
    isOut(fit) < isOut(best) || (isOut(fit) === isOut(best) && fit.score < best.score) ? fit : best,
  )
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
    return [
      [
        side,
        size !== undefined && model.sizesMm.includes(size)
          ? fitFoot(foot, side, model, size, settings)
          : leastSize(foot, side, model, settings),
      ],
    ]
  })
  const isSplit = fits.length === 2 && fits[0]![1].sizeMm !== fits[1]![1].sizeMm
  const out = fits.flatMap(([side, fit]) =>
    fit.because === null ? [] : [`${side} ${sizeWords(fit.sizeMm)}: ${fit.because}`],
  )
  return {
    model: model.id,
    ...Object.fromEntries(fits),
    score:
      (fits.reduce((sum, [, fit]) => sum + fit.score, 0) +
        (isSplit ? settings.rows.rankingWeights.split : 0)) /
      Math.max(1, fits.length),
    work: fits.flatMap(([, fit]) => fit.work),
    reasons: reasonsOf(fits, model, settings),
    because: out.length > 0 ? out.join('; ') : null,
  }
}
