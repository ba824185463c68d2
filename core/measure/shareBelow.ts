/**
 * Share of a normal distribution below z standard deviations (Abramowitz & Stegun 1964, 26.2.17; off by less than
 * 7.5e-8).
 *
 * @example shareBelow(0) // 0.5
 */
export function shareBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const poly =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  const above = (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * poly
  return z >= 0 ? 1 - above : above
}
