import type { Domain } from '../geometry/clipDomain'
import type { Mesh } from '../geometry/mesh'

/**
 * A closed body between two surfaces over one plan: top, underside, and a wall along the border. No face can
 * cross another as long as the underside stays below the top.
 *
 * @param top,bottom heights at the points of the plan, mm
 * @param floorMm height that becomes z = 0
 */
export function closedBetween(
  { points, triangles: t, border }: Domain,
  top: Float64Array,
  bottom: Float64Array,
  floorMm: number,
): Mesh {
  const n = top.length
  const positions = new Float64Array(n * 6)
  for (let i = 0; i < n; i++) {
    positions[3 * i] = positions[3 * (n + i)] = points[2 * i]!
    positions[3 * i + 1] = positions[3 * (n + i) + 1] = points[2 * i + 1]!
    positions[3 * i + 2] = top[i]! - floorMm
    positions[3 * (n + i) + 2] = bottom[i]! - floorMm
  }
  const triangles = new Uint32Array(2 * t.length + 3 * border.length)
  triangles.set(t)
  for (let i = 0; i < t.length; i += 3) {
    const at = t.length + i
    triangles[at] = n + t[i]!
    triangles[at + 1] = n + t[i + 2]!
    triangles[at + 2] = n + t[i + 1]!
  }
  for (let i = 0, at = 2 * t.length; i < border.length; i += 2, at += 6) {
    const [from, to] = [border[i]!, border[i + 1]!]
    triangles.set([from, n + from, n + to, from, n + to, to], at)
  }
  return { positions, triangles }
}
