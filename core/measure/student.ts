/**
 * 97.5 % point of Student's t (Cornish–Fisher expansion; within 2 % from 4 degrees of freedom on).
 */
export function student95(df: number): number {
  const z = 1.959964
  return z + (z ** 3 + z) / (4 * df) + (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * df * df)
}
