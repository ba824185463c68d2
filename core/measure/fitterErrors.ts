import { flatGroup, flatRollup, groups, mean } from 'd3-array'
import { technicalError } from './repeatability'

/** Fewer pairs of double readings than this are shown but not used. */
export const ENOUGH_PAIRS = 5

/** One foot that one fitter has read twice, foot off the device, landmarks found anew. */
export interface DoubleRead {
  /** kind of reading or angle */
  what: string
  fitter: string
  /** whose foot: the same words for the same foot */
  subject: string
  first: number
  second: number
}

/** How well one fitter repeats one kind. */
export interface FitterError {
  what: string
  fitter: string
  pairs: number
  /** technical error, in the kind's unit */
  tem: number
}

/**
 * Error of every fitter for every kind that was read twice.
 *
 * @example
 *   fitterErrors([{ what: 'footLengthMm', fitter: 'Ada', subject: 'a', first: 264, second: 266 }])[0].tem
 *   // 1.414 = √(2²/2)
 */
export const fitterErrors = (doubles: readonly DoubleRead[]): FitterError[] =>
  flatGroup(
    doubles,
    (d) => d.what,
    (d) => d.fitter,
  ).map(([what, fitter, group]) => ({
    what,
    fitter,
    pairs: group.length,
    tem: technicalError(group.map((d) => [d.first, d.second]))!,
  }))

/** Two fitters who read the same feet. */
export interface FitterBias {
  what: string
  /** by name, in the order of the alphabet */
  fitters: readonly [string, string]
  /** feet that both have read */
  feet: number
  /** mean of the first one's readings less those of the second, in the kind's unit */
  bias: number
}

/**
 * What fitters read apart on feet that both have read, by kind.
 *
 * For instance Ada 264 and 266, Ben 262 and 264 on foot 'a' are a bias of 2 over one foot
 */
export function fitterBiases(doubles: readonly DoubleRead[]): FitterBias[] {
  const meansOfFeet = groups(
    doubles,
    (d) => d.what,
    (d) => d.subject.trim().toLowerCase(),
  ).flatMap(([what, feet]) =>
    feet.map(([, ofFoot]) => ({
      what,
      means: flatRollup(
        ofFoot,
        (read) => mean(read, (d) => (d.first + d.second) / 2)!,
        (d) => d.fitter,
      ).sort(([a], [b]) => a.localeCompare(b)),
    })),
  )
  const gaps = meansOfFeet.flatMap(({ what, means }) =>
    means.flatMap(([one, a], i) =>
      means.slice(i + 1).map(([other, b]) => ({ what, one, other, gap: a - b })),
    ),
  )
  return flatGroup(
    gaps,
    (g) => g.what,
    (g) => g.one,
    (g) => g.other,
  ).map(([what, one, other, feet]) => ({
    what,
    fitters: [one, other],
    feet: feet.length,
    bias: mean(feet, (g) => g.gap)!,
  }))
}
