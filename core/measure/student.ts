/** Published points for one to three degrees of freedom, where no expansion holds. */
const FEW_DF = [12.7062, 4.30265, 3.18245] as const

/**
 * 97.5 % point of Student's t: the published value up to three degrees of freedom, then the
 * Cornish–Fisher expansion (Abramowitz and Stegun 26.7.5), within 0.3 %.
 *
 * @param df degrees of freedom, a whole number from 1 on
 * @example student95(10) // 2.228
 */
export function student95(df: number): number {
  const few = FEW_DF[df - 1]
  if (few !== undefined) return few
  const z = 1.959964
  return (
    z +
    (z ** 3 + z) / (4 * df) +
    (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * df ** 2) +
    (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / (384 * df ** 3)
  )
}
