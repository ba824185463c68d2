export type Vec3 = [number, number, number]

/**
 * A place to measure from: an origin and three unit axes at right angles (left-handed for a right
 * foot, whose x is medial too).
 */
export interface Frame {
  origin: Vec3
  x: Vec3
  y: Vec3
  z: Vec3
}

export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
export const scaled = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k]
export const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
export const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
export const unit = (a: Vec3): Vec3 => scaled(a, 1 / Math.hypot(...a))

/** Two directions at right angles to a given one and to each other. */
export function across(d: Vec3): [Vec3, Vec3] {
  const u = unit(cross(d, Math.abs(d[0]) < 0.7 ? [1, 0, 0] : [0, 1, 0]))
  return [u, cross(d, u)]
}

/** A point in the frame's coordinates. */
export const intoFrame = (f: Frame, p: Vec3): Vec3 => {
  const d = minus(p, f.origin)
  return [dot(d, f.x), dot(d, f.y), dot(d, f.z)]
}

/** A point given in the frame's coordinates, in the space around it. */
export const outOfFrame = (f: Frame, [x, y, z]: Vec3): Vec3 =>
  plus(f.origin, plus(scaled(f.x, x), plus(scaled(f.y, y), scaled(f.z, z))))

/** All points (xyz triples) in the frame's coordinates. */
export function allIntoFrame(f: Frame, p: Float64Array): Float64Array {
  const out = new Float64Array(p.length)
  const [ox, oy, oz] = f.origin
  for (let i = 0; i < p.length; i += 3) {
    const x = p[i]! - ox
    const y = p[i + 1]! - oy
    const z = p[i + 2]! - oz
    out[i] = x * f.x[0] + y * f.x[1] + z * f.x[2]
    out[i + 1] = x * f.y[0] + y * f.y[1] + z * f.y[2]
    out[i + 2] = x * f.z[0] + y * f.z[1] + z * f.z[2]
  }
  return out
}

/**
 * A frame moved and turned within itself: first about z by `yaw`, then about x by `pitch` (front
 * down +), then about y by `roll` (medial side down +), radians; the new origin is given in the old
 * frame's coordinates.
 */
export function turned(
  f: Frame,
  turn: { yaw?: number; pitch?: number; roll?: number; origin?: Vec3 },
): Frame {
  const origin = turn.origin ? outOfFrame(f, turn.origin) : f.origin
  let { x, y, z } = f
  const rotate = (a: Vec3, b: Vec3, angle: number): [Vec3, Vec3] => {
    const [c, s] = [Math.cos(angle), Math.sin(angle)]
    return [plus(scaled(a, c), scaled(b, s)), plus(scaled(b, c), scaled(a, -s))]
  }
  if (turn.yaw) [x, y] = rotate(x, y, turn.yaw)
  if (turn.pitch) [y, z] = rotate(y, z, turn.pitch)
  if (turn.roll) [x, z] = rotate(x, z, turn.roll)
  return { origin, x, y, z }
}

/**
 * The frame as a 4 × 4 matrix, row by row, that takes points of the surrounding space into it.
 *
 * @param mmPerUnit mm in one unit of that space
 */
export function matrixOf(f: Frame, mmPerUnit = 1): number[] {
  const row = (a: Vec3) => [a[0] * mmPerUnit, a[1] * mmPerUnit, a[2] * mmPerUnit, -dot(a, f.origin)]
  return [...row(f.x), ...row(f.y), ...row(f.z), 0, 0, 0, 1]
}
