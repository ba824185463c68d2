import { max, mean, min } from 'd3-array'
import { polygonCentroid } from 'd3-polygon'
import { leastSquares } from '../../geometry/leastSquares'
import { ringAround } from './ring'

/** Least length of leg that tells where upright is, mm. */
const LEAST_LEG_MM = 60
const DIRECTIONS = 24

/**
 * The middle of a slice of a body: that of the area within its ring, so that uneven points do not
 * pull it; null when it is not closed.
 */
export function sliceMiddle(
  points: readonly (readonly [number, number])[],
): [number, number] | null {
  if (points.length < 30) return null
  let middle: [number, number] = [mean(points, (p) => p[0])!, mean(points, (p) => p[1])!]
  for (let round = 0; round < 3; round++) {
    const ring = ringAround(points, middle, DIRECTIONS)
    if (ring.gap > 2) return null
    middle = polygonCentroid(ring.points)
  }
  return middle
}

export interface LegAxis {
  /** unit vector upwards */
  direction: [number, number, number]
  /** where it begins and ends, mm over the sole */
  fromMm: number
  toMm: number
}

/**
 * The long axis of the leg: a straight line through the middles of its slices, from where the body
 * has become as short as a leg up to 4 mm below its end. Null when less than 60 mm are in view.
 */
export function legAxis(p: Float64Array, lengthMm: number, rearMm: number): LegAxis | null {
  let top = -Infinity
  for (let i = 2; i < p.length; i += 3) if (p[i]! > top) top = p[i]!
  const slices: { z: number; points: [number, number][] }[] = []
  const step = 6
  // Whole slices only, and none that a lid over the stump would fill.
  for (let z = 0.2 * lengthMm; z + step < top - 4; z += step)
    slices.push({ z: z + step / 2, points: [] })
  if (slices.length * step < LEAST_LEG_MM) return null
  for (let i = 0; i < p.length; i += 3) {
    const k = Math.floor((p[i + 2]! - 0.2 * lengthMm) / step)
    slices[k]?.points.push([p[i]!, p[i + 1]! - rearMm])
  }
  const reach = (points: readonly [number, number][]) =>
    max(points, (q) => q[1])! - min(points, (q) => q[1])!
  // From the top down: a leg as long as nothing reaches further forward than a leg does.
  let from = slices.length
  while (
    from > 0 &&
    slices[from - 1]!.points.length > 12 &&
    reach(slices[from - 1]!.points) < 0.46 * lengthMm
  )
    from--
  if (from >= slices.length || top - slices[from]!.z < LEAST_LEG_MM) return null
  const found = slices
    .slice(from)
    .map((s) => ({ z: s.z, middle: sliceMiddle(s.points) }))
    .filter((s) => s.middle)
  if (found.length < 5) return null
  // The ankle itself is left out where there is leg enough above it.
  const above = found.filter((s) => s.z > 0.3 * lengthMm)
  const used = above.length >= 5 ? above : found
  const line = (k: 0 | 1) => leastSquares(used.map((s) => [[1, s.z], s.middle![k]] as const))
  const [lx, ly] = [line(0), line(1)]
  if (!lx || !ly) return null
  const n = Math.hypot(lx[1]!, ly[1]!, 1)
  return { direction: [lx[1]! / n, ly[1]! / n, 1 / n], fromMm: slices[from]!.z, toMm: top }
}
