import type { Mesh } from '../../geometry/mesh'
import { partOf } from './compact'
import type { Component } from './components'
import { samplePoints } from './samplePoints'

/** Area from which a flat part is a table and not a sole, mm². */
const PLATE_MM2 = 46_000
/** A table lies within this distance of its plane, mm. */
const FLAT_MM = 1.6
const TRIALS = 400

/** Is a loose piece flat and wide: a table? */
export const plateLike = (c: Component): boolean => c.spreadMm[2] < 2 && c.spreadMm[1] > 38

/**
 * Cuts away a table that has grown together with the foot: the largest plane found by trying three
 * points at a time (Fischler & Bolles
 * 1981, with fixed seeds so that the same scan gives the same answer); null when no plane is large
 * enough to be one.
 */
export function findPlate(mesh: Mesh, spacingMm: number): Mesh | null {
  const { xyz, areaMm2 } = samplePoints(mesh, 6)
  const n = xyz.length / 3
  if (areaMm2 < PLATE_MM2 || n < 50) return null
  let state = 12345
  const pick = () => (state = (Math.imul(state, 1103515245) + 12345) & 0x7fffffff) % n
  const cells = areaMm2 / n
  let best: { plane: number[]; share: number } | null = null
  for (let k = 0; k < TRIALS; k++) {
    const plane = planeThrough(xyz, pick(), pick(), pick())
    if (!plane) continue
    let inside = 0
    for (let i = 0; i < xyz.length; i += 3)
      if (
        Math.abs(
          plane[0]! * xyz[i]! + plane[1]! * xyz[i + 1]! + plane[2]! * xyz[i + 2]! - plane[3]!,
        ) < FLAT_MM
      )
        inside++
    if (!best || inside > best.share) best = { plane, share: inside }
  }
  if (!best || best.share * cells < PLATE_MM2) return null
  const [a, b, c, d] = best.plane as [number, number, number, number]
  const p = mesh.positions
  const onIt = (i: number) =>
    Math.abs(a * p[3 * i]! + b * p[3 * i + 1]! + c * p[3 * i + 2]! - d) < FLAT_MM + 0.2 * spacingMm
  // A face that only touches the table with one corner is the foot's.
  return mesh.triangles.length === 0
    ? partOf(mesh, (i) => !onIt(i))
    : {
        positions: p,
        triangles: mesh.triangles.filter(
          (_, i, t) =>
            !(onIt(t[i - (i % 3)]!) && onIt(t[i - (i % 3) + 1]!) && onIt(t[i - (i % 3) + 2]!)),
        ),
      }
}

function planeThrough(
  xyz: Float64Array,
  i: number,
  j: number,
  k: number,
): [number, number, number, number] | null {
  const at = (n: number, c: number) => xyz[3 * n + c]!
  const u = [0, 1, 2].map((c) => at(j, c) - at(i, c)) as [number, number, number]
  const v = [0, 1, 2].map((c) => at(k, c) - at(i, c)) as [number, number, number]
  const w = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const length = Math.hypot(...w)
  // Three points close to one line say nothing about a plane.
  if (length < 4000) return null
  const [a, b, c] = w.map((x) => x / length) as [number, number, number]
  return [a, b, c, a * at(i, 0) + b * at(i, 1) + c * at(i, 2)]
}
