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

/**
 * Smallest believable change of two means with both errors known: 1.96·√(2·TEM_between² +
 * TEM_within²(1/k₁ + 1/k₂)).
 *
 * @example smallestChangeOfMeans(1, 0.5, 3, 3) // 2.885
 */
export const smallestChangeOfMeans = (
  temBetween: number,
  temWithin: number,
  k1: number,
  k2: number,
): number => MDC_FACTOR * Math.sqrt(2 * temBetween ** 2 + temWithin ** 2 * (1 / k1 + 1 / k2))

/**
 * Two fitters on the same feet: the bias between them (first minus second) and the error of a
 * change between a reading of one and a reading of the other, each with their own TEM: 1.96·√(TEM₁²
 * + TEM₂²).
 */
export function betweenFitters(
  pairs: readonly (readonly [number, number])[],
  tem1: number,
  tem2: number,
): { bias: number; smallestChange: number } | null {
  if (pairs.length === 0) return null
  return {
    bias: mean(pairs, ([a, b]) => a - b)!,
    smallestChange: MDC_FACTOR * Math.hypot(tem1, tem2),
  }
}
