import { leastSquares } from '../../geometry/leastSquares'

/**
 * Where a body ends in one direction, read off like a caliper's jaw: mm along the direction, mm
 * across it, and the height there.
 */
export interface Edge {
  atMm: number
  acrossMm: number
  zMm: number
}

export type Direction = 'medial' | 'lateral' | 'front' | 'rear'

/** Points this close to the outermost one shape the edge, mm. */
const BAND_MM = 2.5

/**
 * The edge of a cloud of points in one direction: a curved surface is laid through the outermost
 * points by least squares and its highest place is taken, so that noise does not push the edge
 * outward as the single outermost point would.
 *
 * @param p points in the foot's frame
 * @param window across the direction: where, and how far to either side, mm; without it the edge is
 *   found where it is outermost
 */
export function edgeOf(
  p: Float64Array,
  direction: Direction,
  zRange: readonly [number, number],
  window?: { at: number; half: number },
): Edge | null {
  const main = direction === 'medial' || direction === 'lateral' ? 0 : 1
  const sign = direction === 'medial' || direction === 'front' ? 1 : -1
  const taken = (i: number) =>
    p[i + 2]! >= zRange[0] &&
    p[i + 2]! <= zRange[1] &&
    !(window && Math.abs(p[i + 1 - main]! - window.at) > window.half)
  let most = -Infinity
  for (let i = 0; i < p.length; i += 3)
    if (sign * p[i + main]! > most && taken(i)) most = sign * p[i + main]!
  const outer: [number, number, number][] = []
  for (let i = 0; i < p.length; i += 3)
    if (sign * p[i + main]! > most - BAND_MM && taken(i))
      outer.push([sign * p[i + main]!, p[i + 1 - main]!, p[i + 2]!])
  if (outer.length < 4) return null
  outer.sort((a, b) => b[0] - a[0])
  const first = outer.slice(0, 8)
  const a0 = window ? window.at : first.reduce((sum, q) => sum + q[1], 0) / first.length
  const half = window ? window.half : 7
  const near = outer.filter((q) => Math.abs(q[1] - a0) <= half)
  const z0 = near.reduce((sum, q) => sum + q[2], 0) / near.length
  const mean = (k: number, of: readonly [number, number, number][]) =>
    of.reduce((sum, q) => sum + q[k]!, 0) / of.length
  const fit =
    near.length >= 12
      ? leastSquares(
          near.map(([q, a, z]) => [[1, a - a0, (a - a0) ** 2, z - z0, (z - z0) ** 2], q]),
        )
      : null
  if (!fit) return { atMm: sign * mean(0, first.slice(0, 3)), acrossMm: a0, zMm: mean(2, first) }
  let best = { v: -Infinity, a: a0, z: z0 }
  for (const [, a, z] of near) {
    const v =
      fit[0]! +
      fit[1]! * (a - a0) +
      fit[2]! * (a - a0) ** 2 +
      fit[3]! * (z - z0) +
      fit[4]! * (z - z0) ** 2
    if (v > best.v) best = { v, a, z }
  }
  return { atMm: sign * best.v, acrossMm: best.a, zMm: best.z }
}
