/**
 * Cubic Hermite curve through (knots, values) with central-difference tangents (one-sided at the
 * ends): C1, passes through every point, constant outside the knots.
 *
 * @param knots ascending
 * @param values one per knot
 * @example hermite([0, 1, 2], [0, 1, 2])(0.5) // 0.5
 */
export function hermite(
  knots: readonly number[],
  values: readonly number[],
): (at: number) => number {
  const last = knots.length - 1
  const tangents = knots.map((_, i) => {
    const before = Math.max(0, i - 1)
    const after = Math.min(last, i + 1)
    return (values[after]! - values[before]!) / (knots[after]! - knots[before]!)
  })
  return (at) => {
    if (at <= knots[0]!) return values[0]!
    if (at >= knots[last]!) return values[last]!
    let i = 0
    while (at > knots[i + 1]!) i++
    const width = knots[i + 1]! - knots[i]!
    const t = (at - knots[i]!) / width
    const t2 = t * t
    const t3 = t2 * t
    return (
      (2 * t3 - 3 * t2 + 1) * values[i]! +
      (t3 - 2 * t2 + t) * width * tangents[i]! +
      (-2 * t3 + 3 * t2) * values[i + 1]! +
      (t3 - t2) * width * tangents[i + 1]!
    )
  }
}

/** Straight lines through ascending (knots, values), constant outside. */
export function polyline(
  knots: readonly number[],
  values: readonly number[],
): (at: number) => number {
  const last = knots.length - 1
  return (at) => {
    if (at <= knots[0]!) return values[0]!
    if (at >= knots[last]!) return values[last]!
    let i = 0
    while (at > knots[i + 1]!) i++
    const t = (at - knots[i]!) / (knots[i + 1]! - knots[i]!)
    return values[i]! + t * (values[i + 1]! - values[i]!)
  }
}
