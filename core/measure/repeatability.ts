import { mean, sum } from 'd3-array'

/**
 * Technical error of measurement from repeats of several feet: √(ΣΣ(x − x̄ᵢ)²/Σ(kᵢ − 1)); for pairs
 * √(Σd²/2n).
 *
 * @param groups independent repeats, one list per foot (foot off the device, landmarks found anew);
 *   lists of one say nothing and are left out
 * @returns in the unit of the values; null without a single repeat
 * @example technicalError([[10, 12], [20, 20], [31, 29]]) // 1.1547 = √((4 + 0 + 4)/6)
 */
export function technicalError(groups: readonly (readonly number[])[]): number | null {
  const repeated = groups.filter((g) => g.length >= 2)
  if (repeated.length === 0) return null
  const squares = sum(repeated, (g) => {
    const m = mean(g)!
    return sum(g, (x) => (x - m) ** 2)
  })
  return Math.sqrt(squares / sum(repeated, (g) => g.length - 1))
}

const MDC_FACTOR = 1.96

/**
 * Smallest believable change of single readings: 1.96·√2·TEM. @example smallestChange(1) // 2.772
 */
export const smallestChange = (tem: number): number => MDC_FACTOR * Math.SQRT2 * tem

/** How sure the mean of one side of a change is: the fitter's errors and how many tries it is of. */
export interface MeanError {
  /** technical error between occasions */
  between: number
  /** technical error of tries within one */
  within: number
  tries: number
}

/**
 * Smallest believable change of two means, each with its own errors: 1.96·√(b₁² + b₂² + w₁²/k₁ +
 * w₂²/k₂). For one fitter that is 1.96·√(2·TEM_between² + TEM_within²(1/k₁ + 1/k₂)); for two, with
 * single readings, 1.96·√(TEM₁² + TEM₂²).
 *
 * @example
 *   smallestChangeOfMeans(
 *     { between: 1, within: 0.5, tries: 3 },
 *     { between: 1, within: 0.5, tries: 3 },
 *   ) // 2.885
 */
export const smallestChangeOfMeans = (one: MeanError, other: MeanError): number =>
  MDC_FACTOR * Math.sqrt(varianceOf(one) + varianceOf(other))

const varianceOf = ({ between, within, tries }: MeanError) => between ** 2 + within ** 2 / tries
