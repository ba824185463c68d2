import { median } from 'd3-array'
import { radians } from '../../geometry/tilt'
import { allIntoFrame, intoFrame, turned, type Frame, type Vec3 } from '../../geometry/frame'
import { sampleGrid } from '../../geometry/grid'
import { leastSquares } from '../../geometry/leastSquares'
import { edgeOf } from './edges'
import { expectedHead, padNear } from './heads'
import { legAxis } from './leg'
import { bordersBetween, outlineRows, type OutlineRows } from './outlineRows'
import { FOOT_REFERENCE } from './references'
import { emptyGrid, planeOf, rasterLow, smoothed, type SoleGrid } from './soleGrid'

/**
 * A scan being brought into the foot's frame: its faces near the sole, and points all over it, in
 * scan coordinates (mm).
 */
export interface PosedScan {
  sole: { positions: Float64Array; triangles: Uint32Array }
  /** the scan's own points near the sole, for its borders */
  edges: Float64Array
  /** it came as points without faces */
  cloud: boolean
  points: Float64Array
  /** a part of the points, for looks on the way */
  few: Float64Array
}

/** Landmarks on the sole that other readings hang on. */
export const HEAD_NAMES = [
  'firstMetHead',
  'secondMetHead',
  'thirdMetHead',
  'fourthMetHead',
  'fifthMetHead',
] as const

/** Those of them that were moved by hand, in scan coordinates, mm. */
export type Moved = Partial<Record<'heel' | (typeof HEAD_NAMES)[number], Vec3>>

/** What is seen of a foot in one frame. */
export interface FootView {
  frame: Frame
  points: Float64Array
  /** the scan's own points near the sole */
  low: Float64Array
  grid: SoleGrid
  fine: SoleGrid
  rows: OutlineRows
  rearMm: number
  lengthMm: number
  heel: [number, number, number]
  heads: [number, number, number][]
  /** roll of the sole under the heads, and of the heel's own plane, degrees (+ inverted) */
  forefootDeg: number
  heelPlane: { a: number; b: number; c: number } | null
  leg: ReturnType<typeof legAxis>
}

/** Height limits of the plan's outermost points, mm: above that is instep and ankle. */
export const PLAN_Z: readonly [number, number] = [-12, 45]

/** Sees a foot in a frame that is nearly right: grid, borders, ends, heel, heads, planes. */
function viewIn(
  frame: Frame,
  scan: PosedScan,
  moved: Moved,
  lengthHint: number,
  stepMm: number,
): FootView {
  const points = allIntoFrame(frame, stepMm > 1 ? scan.few : scan.points)
  const low = allIntoFrame(frame, scan.edges)
  const grid = rasterLow(
    emptyGrid(lengthHint, Math.max(60, 0.27 * lengthHint), stepMm),
    scan.cloud ? allIntoFrame(frame, scan.sole.positions) : low,
    scan.sole.triangles,
  )
  const fine = smoothed(grid, 3)
  const rows = outlineRows(grid)
  const rearMm = edgeOf(low, 'rear', PLAN_Z)?.atMm ?? 0
  const lengthMm = (edgeOf(low, 'front', PLAN_Z)?.atMm ?? lengthHint) - rearMm
  const coarse = smoothed(grid, 9)
  const put = (p: Vec3 | undefined) => p && (intoFrame(frame, p).slice(0, 2) as [number, number])
  const under = ([x, y]: [number, number]): [number, number, number] => [
    x,
    y,
    nearHeight(fine, x, y),
  ]
  const heels = bordersBetween(grid, rows, rearMm + 0.08 * lengthMm, rearMm + 0.16 * lengthMm)
  const heel = under(
    put(moved.heel) ?? [
      heels ? (heels.medial + heels.lateral) / 2 : 0,
      rearMm + FOOT_REFERENCE.heelShare * lengthMm,
    ],
  )
  const heads = HEAD_NAMES.map((name, k) =>
    under(put(moved[name]) ?? padNear(fine, coarse, expectedHead(grid, rows, rearMm, lengthMm, k))),
  )
  const halfHeel = heels ? (heels.medial - heels.lateral) / 2 : 30
  const heelPlane = planeOf(
    fine,
    (x, y) =>
      Math.abs(x - heel[0]) < 0.62 * halfHeel &&
      y > rearMm + 0.08 * lengthMm &&
      y < rearMm + 0.175 * lengthMm,
  )
  // The borders' middle lies higher than the sole: on a rolled heel it is not over the sole's own
  // middle.
  if (heelPlane)
    for (let k = 0; k < 3; k++)
      heelPlane.b =
        heelSlope(
          grid,
          heel[0] + BORDER_RISE_MM * heelPlane.b,
          0.78 * halfHeel,
          rearMm + 0.06 * lengthMm,
          rearMm + 0.155 * lengthMm,
          scan.cloud,
        ) ?? heelPlane.b
  return {
    frame,
    points,
    low,
    grid,
    fine,
    rows,
    rearMm,
    lengthMm,
    heel,
    heads,
    forefootDeg: slopeDeg(heads),
    heelPlane,
    leg: legAxis(points, lengthMm, rearMm),
  }
}

/**
 * Height of the sole at a point; where it was not seen, that of the nearest seen cell within 12 mm,
 * else 0.
 */
export function nearHeight(grid: SoleGrid, x: number, y: number): number {
  const here = sampleGrid(grid, x, y)
  if (!Number.isNaN(here)) return here
  for (let reach = 1; reach <= 12; reach++)
    for (let a = 0; a < 16; a++) {
      const z = sampleGrid(
        grid,
        x + reach * Math.cos((a * Math.PI) / 8),
        y + reach * Math.sin((a * Math.PI) / 8),
      )
      if (!Number.isNaN(z)) return z
    }
  return 0
}

/** How high over its sole a heel is widest as the grid sees it, mm. */
const BORDER_RISE_MM = 13

/**
 * Roll of the heel's sole as a slope: a surface that curves evenly to both sides is laid under the
 * whole width of the heel, so that more of it carries the answer than the flat middle alone. The
 * borders of a cloud, and with them the middle of its heel, are less sure: there the surface may
 * lean to one side as well, so that a middle that is off does not pass for roll.
 */
function heelSlope(
  grid: SoleGrid,
  x0: number,
  halfMm: number,
  fromMm: number,
  toMm: number,
  cloud: boolean,
): number | null {
  const rows: [number[], number][] = []
  for (let r = 0; r < grid.rows; r++) {
    const y = grid.y0 + (r + 0.5) * grid.stepMm
    if (y < fromMm || y > toMm) continue
    for (let c = 0; c < grid.columns; c++) {
      const u = (grid.x0 + (c + 0.5) * grid.stepMm - x0) / halfMm
      const z = grid.z[r * grid.columns + c]!
      const v = (y - fromMm) / (toMm - fromMm) - 0.5
      if (Math.abs(u) <= 1 && !Number.isNaN(z))
        rows.push([
          cloud ? [1, u, v, u * u, u ** 4, v * v, u ** 3] : [1, u, v, u * u, u ** 4, v * v],
          z,
        ])
    }
  }
  const fit = rows.length > 60 ? withoutStrays(rows) : null
  return fit && fit[1]! / halfMm
}

/**
 * Cells further from the fit than this many times the middle distance of all are strays: walls and
 * gaps laid over in a cloud of points.
 */
const STRAY = 4

/** A least-squares fit that is laid again, twice, without the cells that lie far off it. */
function withoutStrays(rows: readonly [number[], number][]): number[] | null {
  let kept = rows
  let fit = leastSquares(kept)
  for (let round = 0; round < 2 && fit; round++) {
    const off = ([terms, z]: [number[], number]) =>
      Math.abs(z - terms.reduce((sum, t, k) => sum + t * fit![k]!, 0))
    const far = STRAY * Math.max(0.1, median(rows, off)!)
    kept = rows.filter((row) => off(row) <= far)
    if (kept.length < 60) break
    fit = leastSquares(kept)
  }
  return fit
}

/** Angle of a line through points (x, z) by least squares, degrees. */
function slopeDeg(points: readonly (readonly number[])[]): number {
  const n = points.length
  const mx = points.reduce((s, p) => s + p[0]!, 0) / n
  const mz = points.reduce((s, p) => s + p[2]!, 0) / n
  const top = points.reduce((s, p) => s + (p[0]! - mx) * (p[2]! - mz), 0)
  const below = points.reduce((s, p) => s + (p[0]! - mx) ** 2, 0)
  return (Math.atan2(top, below) * 180) / Math.PI
}

/**
 * Brings a scan into the foot's frame by looking, turning a little, and looking again: y along the
 * axis from the middle of the heel past the outer side of the second toe, rearmost heel at y = 0, z
 * = 0 through the heel's lowest point and the middle between heads 1 and 5; the leg's long axis
 * upright when 60 mm of it are seen, else rolled so that the forefoot shows the examined angle, or
 * without one the heel level.
 *
 * @param examinedForefootDeg angle of forefoot to rearfoot from the examination, degrees; null when
 *   it was not examined
 */
export function footFrame(
  start: Frame,
  scan: PosedScan,
  lengthHint: number,
  examinedForefootDeg: number | null,
  moved: Moved = {},
): FootView {
  let view = viewIn(start, scan, moved, lengthHint, 2)
  // Coarse looks until it hardly moves, then fine ones, so that it settles where the readings are
  // taken.
  for (const [stepMm, rounds, still] of [
    [2, 8, 0.05],
    [1, 5, 0.004],
  ] as const)
    for (let round = 0; round < rounds; round++) {
      const { frame, move } = better(view, examinedForefootDeg)
      view = viewIn(frame, scan, moved, view.lengthMm, stepMm)
      if (move < still) break
    }
  return view
}

/** The next frame, and how far it moved (mm, or degrees). */
function better(
  view: FootView,
  examinedForefootDeg: number | null,
): { frame: Frame; move: number } {
  const { grid, rows, rearMm, lengthMm, heel, heads, leg } = view
  const at = (from: number, to: number) =>
    bordersBetween(grid, rows, rearMm + from * lengthMm, rearMm + to * lengthMm)
  const [h, b] = [at(0.08, 0.16), at(0.64, 0.76)]
  const hx = h ? (h.medial + h.lateral) / 2 : 0
  const bx = b
    ? (b.medial + b.lateral) / 2 + FOOT_REFERENCE.ballOutside * (b.medial - b.lateral)
    : 0
  const yaw = -Math.atan2(bx - hx, 0.58 * lengthMm)
  const [first, fifth] = [heads[0]!, heads[4]!]
  const ball = [(first[1] + fifth[1]) / 2, (first[2] + fifth[2]) / 2] as const
  const pitch = Math.atan2(ball[1] - heel[2], ball[0] - heel[1])
  const roll = leg
    ? -Math.atan2(leg.direction[0], leg.direction[2])
    : examinedForefootDeg === null
      ? Math.atan(view.heelPlane?.b ?? 0)
      : radians(view.forefootDeg - FOOT_REFERENCE.forefootDeg - examinedForefootDeg)
  // The axis passes the middle of the heel at x = 0; the heel's lowest point carries z = 0.
  const origin: Vec3 = [
    hx + (0.12 * lengthMm * (hx - bx)) / (0.58 * lengthMm),
    rearMm,
    heel[2] - Math.tan(pitch) * (heel[1] - rearMm),
  ]
  const frame = turned(view.frame, { yaw, pitch, roll, origin })
  return {
    frame,
    move: Math.max(
      Math.abs(origin[0]),
      Math.abs(origin[1]),
      Math.abs(origin[2]),
      ...[yaw, pitch, roll].map((v) => Math.abs((v * 180) / Math.PI)),
    ),
  }
}
