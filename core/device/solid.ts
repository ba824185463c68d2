import { degrees } from '../geometry/tilt'
import { clipDomain, interpolateOn, type Domain } from '../geometry/clipDomain'
import { inspectMesh, mirrorX, type Mesh, type MeshReport } from '../geometry/mesh'
import type { Side } from '../tables/vocabulary'
import type { ShellBody } from './bodySolid'

/** A device as a body: the mesh stands on the floor (z = 0), x medial, y from the heel, mm. */
export interface Solid {
  mesh: Mesh
  report: MeshReport & { selfOverlaps: number; gridVolumeMm3: number }
  /**
   * heel of the finished mesh against the floor, degrees (+ varus); null where the trim line leaves
   * no heel to measure
   */
  heelAngleDeg: number | null
}

/**
 * Closes a shell body into one mesh: top, underside, and a wall along the trim line. Top and
 * underside share their plan, so no face can cross another as long as the underside stays below the
 * top, which is checked.
 */
export function buildSolid(body: ShellBody): Solid {
  const { field } = body.surface
  const domain = clipDomain(field, body.inside)
  const top = interpolateOn(domain, body.top)
  const bottom = interpolateOn(domain, body.bottom)
  const mesh = closeMesh(domain, top, bottom, body.floorMm)
  let selfOverlaps = 0
  for (let i = 0; i < top.length; i++) if (!(top[i]! > bottom[i]!)) selfOverlaps++
  return {
    mesh,
    report: { ...inspectMesh(mesh), selfOverlaps, gridVolumeMm3: gridVolume(body) },
    heelAngleDeg: heelAngleOnMesh(body, domain, top),
  }
}

function closeMesh(
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

/**
 * Volume from the cell arrays alone, mm³: midpoint rule on quarter cells, an independent check of
 * the mesh.
 */
function gridVolume({ surface: { field }, inside, top, bottom }: ShellBody): number {
  const { columns, rows, stepMm } = field
  const parts = 4
  let sum = 0
  for (let row = 0; row + 1 < rows; row++)
    for (let column = 0; column + 1 < columns; column++) {
      const i = row * columns + column
      const corners = [i, i + 1, i + columns, i + columns + 1] as const
      if (corners.every((c) => inside[c]! <= 0)) continue
      for (let b = 0; b < parts; b++)
        for (let a = 0; a < parts; a++) {
          const u = (a + 0.5) / parts
          const v = (b + 0.5) / parts
          const w = [(1 - u) * (1 - v), u * (1 - v), (1 - u) * v, u * v] as const
          let f = 0
          let h = 0
          for (let k = 0; k < 4; k++) {
            f += w[k]! * inside[corners[k]!]!
            h += w[k]! * (top[corners[k]!]! - bottom[corners[k]!]!)
          }
          if (f > 0) sum += h
        }
    }
  return sum * (stepMm / parts) ** 2
}

/**
 * Angle of the heel on the finished mesh: slope across the heel of the mesh's top, less what the
 * foot's own shape and the layers make of it, against the floor plane. Vertices of the middle of
 * the heel (s below .26) take part; null with too few of them.
 */
function heelAngleOnMesh(body: ShellBody, domain: Domain, top: Float64Array): number | null {
  const { field, cast, layers } = body.surface
  const own = Float64Array.from(cast)
  for (const layer of layers) for (let i = 0; i < own.length; i++) own[i]! += layer.change[i]!
  const ownTop = interpolateOn(domain, own)
  const length = field.sole.parameters.lengthMm
  let n = 0
  let [sx, sz, sxx, sxz] = [0, 0, 0, 0]
  for (let i = 0; i < top.length; i++) {
    if (
      domain.share[i] !== 0 ||
      field.rho[domain.cellA[i]!]! > 0.7 ||
      domain.points[2 * i + 1]! / length > 0.26
    )
      continue
    const x = domain.points[2 * i]!
    const z = top[i]! - ownTop[i]!
    n++
    sx += x
    sz += z
    sxx += x * x
    sxz += x * z
  }
  const spread = n * sxx - sx * sx
  return spread > 0 ? degrees(Math.atan((n * sxz - sx * sz) / spread)) : null
}

/**
 * The mesh in real space: a left foot's frame is right-handed as it is, a right foot's is mirrored
 * in x.
 */
export const inRealSpace = (mesh: Mesh, side: Side): Mesh =>
  side === 'right' ? mirrorX(mesh) : mesh
