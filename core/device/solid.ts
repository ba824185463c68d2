import { degrees } from '../geometry/tilt'
import { clipDomain, interpolateOn, type Domain } from '../geometry/clipDomain'
import { inspectMesh, mirrorX, type Mesh, type MeshReport } from '../geometry/mesh'
import type { Side } from '../tables/vocabulary'
import type { ShellBody } from './bodySolid'
import { closedBetween } from './closedBetween'
import { SHELL_RULES } from './shellRules'
import { STANDING, standsOf, type Stands, type Underside } from './stands'

/** A device as a body: the mesh stands on the floor (z = 0), x medial, y from the heel, mm. */
export interface Solid extends Standing {
  mesh: Mesh
  /** blocks that are glued on, each a body of its own in the same frame */
  glued: { post: number; mesh: Mesh; report: MeshReport }[]
  report: MeshReport & { selfOverlaps: number; gridVolumeMm3: number }
}

/** How a finished body stands, measured on its surfaces. */
export interface Standing {
  /** how it stands on a flat floor; null where it falls over */
  stands: Stands | null
  /**
   * heel of the finished mesh against the floor it stands on, degrees (+ varus, inverted); null
   * where the trim line leaves no heel to measure, or where it falls over
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
  const own = withoutGlued(body)
  const bottom = interpolateOn(domain, own)
  const mesh = closedBetween(domain, top, bottom, body.floorMm)
  let selfOverlaps = 0
  for (let i = 0; i < top.length; i++) if (!(top[i]! > bottom[i]!)) selfOverlaps++
  return {
    mesh,
    glued: gluedBlocks(body),
    report: {
      ...inspectMesh(mesh),
      selfOverlaps,
      gridVolumeMm3: gridVolume({ ...body, bottom: own }),
    },
    ...measured(
      body,
      domain,
      top,
      own === body.bottom ? bottom : interpolateOn(domain, body.bottom),
    ),
  }
}

/** Underside of what is made in one piece: glued blocks are bodies of their own, mm. */
function withoutGlued({ bottom, shellBottom, blocks, blockOf }: ShellBody): Float64Array {
  if (!blocks.some((b) => b.glued)) return bottom
  return bottom.map((z, i) => (blocks[blockOf[i]!]?.glued ? shellBottom[i]! : z))
}

/** A block is not cut thinner than this at its edges, mm. */
const THIN_MM = 0.15

/** Blocks that are glued on, closed: their top is the shell's underside. */
function gluedBlocks(body: ShellBody): Solid['glued'] {
  const { field } = body.surface
  return body.blocks.flatMap((block, k) => {
    if (block.post === null || !block.glued) return []
    const inside = body.inside.map((mm, i) =>
      body.blockOf[i] === k
        ? Math.min(
            mm,
            block.under(i) + SHELL_RULES.draftMm / 2,
            body.shellBottom[i]! - body.bottom[i]! - THIN_MM,
          )
        : Math.min(mm, -THIN_MM),
    )
    const domain = clipDomain(field, inside)
    if (domain.triangles.length === 0) return []
    const [top, bottom] = [body.shellBottom, body.bottom].map((z) => interpolateOn(domain, z))
    const mesh = closedBetween(domain, top!, bottom!, body.floorMm)
    return [{ post: block.post, mesh, report: inspectMesh(mesh) }]
  })
}

/** How a body stands, without closing it into a mesh. */
export function standingOf(body: ShellBody): Standing {
  const domain = clipDomain(body.surface.field, body.inside)
  return measured(body, domain, interpolateOn(domain, body.top), interpolateOn(domain, body.bottom))
}

function measured(
  body: ShellBody,
  domain: Domain,
  top: Float64Array,
  bottom: Float64Array,
): Standing {
  const stands = standsOf(undersideOf(body, domain, bottom), body.surface.field)
  const tilt = cupTiltDeg(body, domain, top)
  return { stands, heelAngleDeg: stands && tilt !== null ? tilt - stands.rollDeg : null }
}

/** What of the mesh may touch the floor. */
function undersideOf(body: ShellBody, domain: Domain, bottom: Float64Array): Underside {
  const points = new Float64Array(3 * bottom.length)
  for (let i = 0; i < bottom.length; i++)
    points.set([domain.points[2 * i]!, domain.points[2 * i + 1]!, bottom[i]! - body.floorMm], 3 * i)
  const isBase = Uint8Array.from(bottom, (_, i) => body.isBase[domain.cellA[i]!]!)
  const { sole } = body.surface.field
  const edgeMm = sole.headLineY(0) - body.frontY + SHELL_RULES.bevelMm
  return { points, isBase, edgeMm }
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
 * Tilt of the cup in the foot's own frame, + inverted: slope across the heel of the mesh's top, less
 * what the foot's own shape and the layers make of it. Vertices of the middle of the heel (s below
 * .22) take part; null with too few of them.
 */
function cupTiltDeg(body: ShellBody, domain: Domain, top: Float64Array): number | null {
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
      domain.points[2 * i + 1]! / length > STANDING.heelShare
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
