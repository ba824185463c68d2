/**
 * Coefficients that fit rows of [terms, value] best in the sense of least squares (normal equations
 * solved by Cholesky's method, with a ridge of
 * 1e-9 against terms that are nearly alike).
 *
 * @param rows each row the values of the terms, and what they should add up to
 * @returns one coefficient a term; null when there are no rows or the terms cannot be told apart
 * @example leastSquares([[[1, 0], 1], [[1, 1], 3], [[1, 2], 5]])?.map(Math.round) // [1, 2]: 1 + 2·x
 */
export function leastSquares(
  rows: readonly (readonly [readonly number[], number])[],
): number[] | null {
  const n = rows[0]?.[0].length ?? 0
  const a = Array.from({ length: n }, () => new Float64Array(n))
  const b = new Float64Array(n)
  for (const [terms, value] of rows)
    for (let i = 0; i < n; i++) {
      b[i]! += terms[i]! * value
      for (let j = 0; j <= i; j++) a[i]![j]! += terms[i]! * terms[j]!
    }
  for (let i = 0; i < n; i++) a[i]![i]! += 1e-9 * (1 + a[i]![i]!)
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = a[i]![j]!
      for (let k = 0; k < j; k++) sum -= a[i]![k]! * a[j]![k]!
      if (i === j) {
        if (sum <= 0) return null
        a[i]![i] = Math.sqrt(sum)
      } else a[i]![j] = sum / a[j]![j]!
    }
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) b[i]! -= a[i]![k]! * b[k]!
    b[i]! /= a[i]![i]!
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) b[i]! -= a[k]![i]! * b[k]!
    b[i]! /= a[i]![i]!
  }
  return Array.from(b)
}
