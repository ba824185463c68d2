import { sum } from 'd3-array'
import {
  ENOUGH_PAIRS,
  fitterBiases,
  fitterErrors,
  type DoubleRead,
  type FitterBias,
  type FitterError,
} from './fitterErrors'
import { smallestChangeOfMeans, technicalError } from './repeatability'

/** One side of a change: who took it, and the tries that its mean is made of. */
export interface TakenBy {
  by: string | undefined
  tries: readonly number[]
}

/** From where a difference of two means is a change. */
export interface LeastChange {
  /** in the kind's unit */
  least: number
  /** what the second fitter reads more than the first, in the kind's unit; 0 for one fitter */
  bias: number
  /** whose double readings it comes from, else the house's default */
  from: string
}

/** Errors of a shop's fitters, as they are asked for. */
export interface ShopErrors {
  errors: readonly FitterError[]
  biases: readonly FitterBias[]
}

export const NO_ERRORS: ShopErrors = { errors: [], biases: [] }

/** Errors and biases out of all double readings of a shop. */
export const shopErrors = (doubles: readonly DoubleRead[]): ShopErrors => ({
  errors: fitterErrors(doubles),
  biases: fitterBiases(doubles),
})

/** A fitter's own error, else that of all fitters together; null while too few pairs are held. */
function errorOf(errors: readonly FitterError[], fitter: string | undefined) {
  const own = errors.find((e) => e.fitter === fitter)
  if (own && own.pairs >= ENOUGH_PAIRS) return { tem: own.tem, whose: own.fitter }
  const pairs = sum(errors, (e) => e.pairs)
  if (pairs < ENOUGH_PAIRS) return null
  return { tem: Math.sqrt(sum(errors, (e) => e.pairs * e.tem ** 2) / pairs), whose: 'all fitters' }
}

/**
 * Smallest believable change of two means of these fitters (`smallestChangeOfMeans`). Double
 * readings are single readings of two occasions: their TEM² is between² + within², and within comes
 * from the tries themselves. Where no try was repeated it is that of single readings.
 *
 * @param what kind of reading or angle
 * @param houseLeast what counts while fewer than five pairs are held, in the kind's unit
 * For instance a TEM of 1 between occasions and within of 0, one try each: least 2.77
 */
export function leastChange(
  what: string,
  before: TakenBy,
  after: TakenBy,
  { errors, biases }: ShopErrors,
  houseLeast: number,
): LeastChange {
  const ofKind = errors.filter((e) => e.what === what)
  const [one, other] = [errorOf(ofKind, before.by), errorOf(ofKind, after.by)]
  if (!one || !other) return { least: houseLeast, bias: 0, from: 'house default' }
  const within = technicalError([before.tries, after.tries]) ?? 0
  const errorOfMean = (tem: number, { tries }: TakenBy) => ({
    between: Math.sqrt(Math.max(0, tem ** 2 - within ** 2)),
    within,
    tries: Math.max(1, tries.length),
  })
  const whose = [...new Set([one.whose, other.whose])].join(' and ')
  return {
    least: smallestChangeOfMeans(errorOfMean(one.tem, before), errorOfMean(other.tem, after)),
    bias: biasOf(biases, what, before.by, after.by),
    from: `double readings of ${whose}`,
  }
}

/** What the second fitter reads more than the first on feet that both have read. */
function biasOf(
  biases: readonly FitterBias[],
  what: string,
  before: string | undefined,
  after: string | undefined,
): number {
  if (before === undefined || after === undefined || before === after) return 0
  const found = biases.find(
    (b) => b.what === what && b.fitters.includes(before) && b.fitters.includes(after),
  )
  if (!found || found.feet < ENOUGH_PAIRS) return 0
  return found.fitters[0] === after ? found.bias : -found.bias
}
