import { polygonHull, polygonLength } from 'd3-polygon'
import { across, dot, unit, type Vec3 } from '../../geometry/frame'
import { sliceMiddle } from './leg'
import { ringAround } from './ring'

/** Half the thickness of a slice of points, mm. */
const SLICE_MM = 2.2
const DIRECTIONS = 72
/** More empty directions in a row than this (30°): the tape would lie on nothing. */
const LONGEST_GAP = 5

/**
 * Girth of a body in a plane, mm: the points near it, their mean radius in every direction from the
 * middle, and the length of a tape around them, which spans hollows. Null where the surface does
 * not close.
 *
 * @param p points in the foot's frame
 * @param through a point of the plane
 * @param normal across the plane
 */
export function girthIn(p: Float64Array, through: Vec3, normal: Vec3): number | null {
  const n = unit(normal)
  const [u, v] = across(n)
  const d0 = dot(n, through)
  const flat: [number, number][] = []
  for (let i = 0; i < p.length; i += 3) {
    const q: Vec3 = [p[i]!, p[i + 1]!, p[i + 2]!]
    if (Math.abs(dot(n, q) - d0) < SLICE_MM) flat.push([dot(u, q), dot(v, q)])
  }
  const middle = sliceMiddle(flat)
  if (!middle) return null
  const ring = ringAround(flat, middle, DIRECTIONS)
  const hull = ring.gap > LONGEST_GAP ? null : polygonHull(ring.points)
  return hull && polygonLength(hull)
}
