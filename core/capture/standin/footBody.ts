import type { Mesh } from '../../geometry/mesh'
import { smoothstep as S } from '../../geometry/smoothstep'
import type { Sole } from '../../geometry/soleField'

/** What a made-up foot has above its sole, mm. */
export interface FootBody {
  dorsumMm: number
  toeMm: number
  malleolusMm: number
  /** stump of the leg: with a lid, open, or none at all with the sole alone */
  leg: 'capped' | 'open' | 'sole-only'
  separateToes: boolean
  /** leg tilted against the heel, degrees, + inverted */
  legTiltDeg: number
}

const STEP_MM = 2
/** Edges longer than this are cut, so that steep walls have points too. */
const LONGEST_MM = 4.5
const LEG_ABOVE_MALLEOLUS_MM = 70
/**
 * Corners of the plan this close to the outline are put on it, so that the border is not a
 * staircase.
 */
const SNAP_MM = 1.4

/**
 * Height of the foot's upper side over the floor: forefoot, instep, and the leg rising from the
 * ankle.
 */
function upper(sole: Sole, body: FootBody, x: number, y: number, lower: number): number {
  const { lengthMm: L, heelWidthMm } = sole.parameters
  const { middleX, halfWidth } = sole.place(x, y)
  const s = y / L
  const ridge =
    body.toeMm +
    (body.dorsumMm - body.toeMm) * (1 - S(s, 0.5, 0.84)) +
    0.35 * body.dorsumMm * (1 - S(s, 0.3, 0.5))
  const across = Math.min(1, Math.abs(x - middleX) / halfWidth)
  const back = s < 0.13 ? (0.13 - s) / 0.13 : 0
  const front = s > 0.95 ? (s - 0.95) / 0.05 : 0
  const round = Math.sqrt(Math.max(0, 1 - Math.min(1, across ** 2.6 + back ** 2 + front ** 2)))
  const foot = lower + Math.max(0, ridge - lower) * round
  const r = Math.hypot(x / (0.52 * heelWidthMm), (y - 0.185 * L) / (0.165 * L))
  return Math.max(
    foot,
    lower + (body.malleolusMm + LEG_ABOVE_MALLEOLUS_MM - lower) * (1 - S(r, 0.82, 0.97)),
  )
}

/** Is a point in the gap between two toes? */
function inCleft(sole: Sole, x: number, y: number): boolean {
  const toes = sole.toes
  for (let i = 0; i + 1 < toes.length; i++) {
    const [a, b] = [toes[i]!, toes[i + 1]!]
    if (Math.abs(x - (a.x + b.x) / 2) < 1.1 && y > Math.min(a.y, b.y) - 12) return true
  }
  return false
}

/**
 * The surface of a made-up foot in its own frame (x medial, y from the heel, z up; mm): sole, upper
 * side and leg from one grid of columns, with walls where it ends. Faces look outward; with a
 * capped leg it is closed.
 *
 * @param lift change of the sole's height at a point, mm
 */
export function footBody(sole: Sole, body: FootBody, lift: (x: number, y: number) => number): Mesh {
  const L = sole.parameters.lengthMm
  const half =
    Math.ceil(Math.max(sole.parameters.forefootWidthMm, sole.parameters.heelWidthMm) / STEP_MM) *
    STEP_MM
  const columns = (2 * half) / STEP_MM
  const rows = Math.ceil(L / STEP_MM) + 1
  const inside = (c: number, r: number) => {
    const [x, y] = [-half + (c + 0.5) * STEP_MM, (r + 0.5) * STEP_MM]
    return (
      c >= 0 &&
      r >= 0 &&
      c < columns &&
      r < rows &&
      sole.contains(x, y) &&
      !(body.separateToes && inCleft(sole, x, y))
    )
  }
  /** does a corner lie where the plan ends? */
  const rim = (c: number, r: number) =>
    !(inside(c - 1, r - 1) && inside(c, r - 1) && inside(c - 1, r) && inside(c, r))
  const onOutline = (x: number, y: number, edge: boolean) => {
    if (!edge) return x
    const border = x > 0 ? sole.medial(y) : sole.lateral(y)
    return Math.abs(border - x) < SNAP_MM ? border : x
  }
  // The last row that belongs to the plan ends at the tip of the toes.
  const lastRow = Math.floor(L / STEP_MM - 0.5) + 1
  const points: number[] = []
  const faces: number[] = []
  const corner = new Map<string, number>()
  const point = (c: number, r: number, top: boolean) => {
    const key = `${c},${r},${top ? 1 : 0}`
    const known = corner.get(key)
    if (known !== undefined) return known
    const y = r === lastRow ? L : r * STEP_MM
    const yIn = Math.min(L, Math.max(0.5, y))
    const x = onOutline(-half + c * STEP_MM, yIn, rim(c, r))
    const lower = sole.height(x, yIn) + lift(x, yIn)
    points.push(x, y, top ? upper(sole, body, x, yIn, lower) : lower)
    corner.set(key, points.length / 3 - 1)
    return points.length / 3 - 1
  }
  const quad = (a: number, b: number, c: number, d: number) => faces.push(a, b, c, a, c, d)
  const soleOnly = body.leg === 'sole-only'
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++) {
      if (!inside(c, r)) continue
      quad(
        point(c, r, false),
        point(c, r + 1, false),
        point(c + 1, r + 1, false),
        point(c + 1, r, false),
      )
      if (soleOnly) continue
      quad(
        point(c, r, true),
        point(c + 1, r, true),
        point(c + 1, r + 1, true),
        point(c, r + 1, true),
      )
      const wall = (c1: number, r1: number, c2: number, r2: number) =>
        quad(point(c1, r1, false), point(c2, r2, false), point(c2, r2, true), point(c1, r1, true))
      if (!inside(c, r - 1)) wall(c, r, c + 1, r)
      if (!inside(c + 1, r)) wall(c + 1, r, c + 1, r + 1)
      if (!inside(c, r + 1)) wall(c + 1, r + 1, c, r + 1)
      if (!inside(c - 1, r)) wall(c, r + 1, c, r)
    }
  const upright = cutLongEdges(
    { positions: Float64Array.from(points), triangles: Uint32Array.from(faces) },
    LONGEST_MM,
  )
  tiltLeg(upright, body)
  // Leaning makes some edges longer again.
  const whole = body.legTiltDeg === 0 ? upright : cutLongEdges(upright, LONGEST_MM)
  return body.leg === 'open' ? openLeg(whole, body) : whole
}

/** Turns what is above the ankle about a long axis at its height. */
function tiltLeg(mesh: Mesh, body: FootBody) {
  if (body.legTiltDeg === 0) return
  const tan = Math.tan((body.legTiltDeg * Math.PI) / 180)
  const from = 0.8 * body.malleolusMm
  // A heel that is inverted against its leg: seen from the heel, the top of the leg leans inward.
  for (let i = 0; i < mesh.positions.length; i += 3)
    mesh.positions[i] = mesh.positions[i]! + tan * Math.max(0, mesh.positions[i + 2]! - from)
}

/** The leg without its lid: faces at its top left out. */
function openLeg(mesh: Mesh, body: FootBody): Mesh {
  const limit = body.malleolusMm + LEG_ABOVE_MALLEOLUS_MM - 6
  const kept: number[] = []
  for (let i = 0; i < mesh.triangles.length; i += 3) {
    const corners = [mesh.triangles[i]!, mesh.triangles[i + 1]!, mesh.triangles[i + 2]!]
    if (corners.some((k) => mesh.positions[3 * k + 2]! < limit)) kept.push(...corners)
  }
  return { positions: mesh.positions, triangles: Uint32Array.from(kept) }
}

/**
 * Cuts every edge that is too long in its middle, on both faces that share it, until none is left;
 * the surface stays the same.
 */
export function cutLongEdges(mesh: Mesh, longestMm: number): Mesh {
  const p = Array.from(mesh.positions)
  let faces = Array.from(mesh.triangles)
  const long = (a: number, b: number) =>
    Math.hypot(
      p[3 * a]! - p[3 * b]!,
      p[3 * a + 1]! - p[3 * b + 1]!,
      p[3 * a + 2]! - p[3 * b + 2]!,
    ) > longestMm
  for (let pass = 0; pass < 12; pass++) {
    const middles = new Map<number, number>()
    const count = p.length / 3 + faces.length
    const middle = (a: number, b: number) => {
      const key = Math.min(a, b) * count + Math.max(a, b)
      const known = middles.get(key)
      if (known !== undefined) return known
      for (let k = 0; k < 3; k++) p.push((p[3 * a + k]! + p[3 * b + k]!) / 2)
      middles.set(key, p.length / 3 - 1)
      return p.length / 3 - 1
    }
    const next: number[] = []
    let cut = false
    for (let i = 0; i < faces.length; i += 3) {
      const [a, b, c] = [faces[i]!, faces[i + 1]!, faces[i + 2]!]
      const [ab, bc, ca] = [long(a, b), long(b, c), long(c, a)].map((is, k) =>
        is ? middle([a, b, c][k]!, [b, c, a][k]!) : -1,
      ) as [number, number, number]
      cut ||= ab >= 0 || bc >= 0 || ca >= 0
      next.push(...splitFace(a, b, c, ab, bc, ca))
    }
    faces = next
    if (!cut) break
  }
  return { positions: Float64Array.from(p), triangles: Uint32Array.from(faces) }
}

/** A face cut at the middles of its edges (−1: that edge stays whole). */
function splitFace(a: number, b: number, c: number, ab: number, bc: number, ca: number): number[] {
  if (ab < 0 && bc < 0 && ca < 0) return [a, b, c]
  if (ab >= 0 && bc >= 0 && ca >= 0) return [a, ab, ca, ab, b, bc, ca, bc, c, ab, bc, ca]
  // Turn the face until its first edge is cut and its last is not, unless two are cut: then the
  // whole one comes last.
  if (ab < 0) return splitFace(b, c, a, bc, ca, ab)
  if (bc < 0 && ca >= 0) return splitFace(c, a, b, ca, ab, bc)
  return bc < 0 ? [a, ab, c, ab, b, c] : [a, ab, c, ab, bc, c, ab, b, bc]
}
