/** A plane z = a + b·x + c·y, mm. */
export interface Plane {
  a: number
  b: number
  c: number
}

/** Points further above the plane than this do not touch it, mm; far below what can be measured. */
const TOUCH_MM = 1e-9
/** Rounds after which a body that never comes to rest is given up: a few dozen are usual. */
const MOST_ROUNDS = 2_000
/** Corners so far out and high that a body leans on them only when it falls over, mm. */
const FAR_MM = 1e4
const HIGH_MM = 1e7

/**
 * The plane that a body rests on when it is pressed straight down at a place: below all its points,
 * and as high as it can be at the place. It is the face of the lower convex hull under it.
 *
 * Three points carry; the one that lies lowest under their plane takes the place of one of them, so
 * that the place stays between the three, until none lies under it (the dual simplex method of a
 * linear program in three unknowns).
 *
 * @param points x, y, z triples of the underside, mm
 * @param at where it is pressed, mm
 *
 * @returns null where the place lies outside of everything that can carry: the body falls over
 * @example restingPlane([0, 0, 0, 10, 0, 0, 0, 10, 1, 10, 10, 1], [5, 5]) // { a: 0, b: 0, c: 0.1 }
 */
export function restingPlane(
  points: ArrayLike<number>,
  [px, py]: readonly [number, number],
): Plane | null {
  const count = points.length / 3
  const corners = [-1, -2, -3]
  const CORNERS = [
    [px - FAR_MM, py - FAR_MM, HIGH_MM],
    [px + FAR_MM, py - FAR_MM, HIGH_MM],
    [px, py + FAR_MM, HIGH_MM],
  ] as const
  const pointOf = (i: number): readonly [number, number, number] =>
    i < 0 ? CORNERS[-i - 1]! : [points[3 * i]!, points[3 * i + 1]!, points[3 * i + 2]!]
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const three = corners.map(pointOf)
    const plane = planeThrough(three[0]!, three[1]!, three[2]!, [px, py])
    const lowest = lowestUnder(points, count, plane, [px, py])
    if (lowest < 0) return corners.some((i) => i < 0) ? null : atOrigin(plane, [px, py])
    corners[whoLeaves(three, pointOf(lowest), [px, py])] = lowest
  }
  return null
}

/** Planes are reckoned from the place that is pressed, where all that counts is near. */
type FromPlace = Plane
const atOrigin = ({ a, b, c }: FromPlace, [px, py]: readonly [number, number]): Plane => ({
  a: a - b * px - c * py,
  b,
  c,
})

type Point = readonly [number, number, number]

function planeThrough(
  p: Point,
  q: Point,
  r: Point,
  [px, py]: readonly [number, number],
): FromPlace {
  const [ux, uy, uz] = [q[0] - p[0], q[1] - p[1], q[2] - p[2]]
  const [vx, vy, vz] = [r[0] - p[0], r[1] - p[1], r[2] - p[2]]
  const area = ux * vy - uy * vx
  const b = (uz * vy - uy * vz) / area
  const c = (ux * vz - uz * vx) / area
  return { a: p[2] - b * (p[0] - px) - c * (p[1] - py), b, c }
}

/** The point that lies deepest under a plane; −1 where none does. */
function lowestUnder(
  points: ArrayLike<number>,
  count: number,
  { a, b, c }: FromPlace,
  [px, py]: readonly [number, number],
): number {
  let found = -1
  let least = -TOUCH_MM
  for (let i = 0; i < count; i++) {
    const over = points[3 * i + 2]! - a - b * (points[3 * i]! - px) - c * (points[3 * i + 1]! - py)
    if (over < least) {
      least = over
      found = i
    }
  }
  return found
}

/**
 * Which of three corners gives way to a fourth point, so that the place stays within the triangle:
 * the one for which the other two and the new one hold it best.
 */
function whoLeaves(
  three: readonly Point[],
  comes: Point,
  [px, py]: readonly [number, number],
): number {
  let best = 0
  let most = -Infinity
  for (let k = 0; k < 3; k++) {
    const [p, q, r] = [comes, three[(k + 1) % 3]!, three[(k + 2) % 3]!]
    const area = cross(p, q, r)
    if (area === 0) continue
    const place: Point = [px, py, 0]
    const inside = Math.min(
      cross(place, q, r) / area,
      cross(p, place, r) / area,
      cross(p, q, place) / area,
    )
    if (inside > most) {
      most = inside
      best = k
    }
  }
  return best
}
const cross = (p: Point, q: Point, r: Point): number =>
  (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])
