import { restingPlane, type Plane } from '../geometry/restingPlane'
import type { ShellBody } from './bodySolid'
import { STANDING, rollOf } from './stands'

/** How a body rests under a load at one place, and under the same load a little to either side. */
export interface BodyRest {
  /** in the heights of the body, mm */
  floor: Plane
  /** the floor with the load moved to the outer and to the inner side; null where it falls over there */
  aside: [Plane | null, Plane | null]
  /** how much it rolls while the load moves aside; 90 where it falls over there */
  rocksDeg: number
  rocks: boolean
}

/** What of the working grid may touch the floor, as x, y, z triples, mm. */
function undersidePoints({ surface: { field }, inside, bottom }: ShellBody): Float64Array {
  const points = new Float64Array(3 * inside.length)
  let n = 0
  for (let i = 0; i < inside.length; i++)
    if (inside[i]! > 0) {
      points[n++] = field.x[i]!
      points[n++] = field.y[i]!
      points[n++] = bottom[i]!
    }
  return points.subarray(0, n)
}

/**
 * Where a body rests on a flat floor under a load, on the cells of its grid: what contact starts from.
 * The finished solid is judged on a finer one, by `standsOf`.
 *
 * @param at place of the load, mm in the foot's frame
 * @returns null where it falls over
 *
 * @see {@link restingPlane}
 */
export function bodyRest(body: ShellBody, at: { x: number; y: number }): BodyRest | null {
  const points = undersidePoints(body)
  const under = (dx: number) => {
    const plane = restingPlane(points, [at.x + dx, at.y])
    const isSteep = plane && Math.max(Math.abs(plane.b), Math.abs(plane.c)) > STANDING.fallsSlope
    return isSteep ? null : plane
  }
  const floor = under(0)
  if (!floor) return null
  const aside: BodyRest['aside'] = [under(-STANDING.rockMm), under(STANDING.rockMm)]
  const rolls = aside.map((plane) => (plane ? Math.abs(rollOf(plane) - rollOf(floor)) : 90))
  const rocksDeg = Math.max(...rolls)
  return { floor, aside, rocksDeg, rocks: rocksDeg > STANDING.rockDeg }
}
