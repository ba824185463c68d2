import { Delaunay } from 'd3-delaunay'
import { allIntoFrame, scaled, type Frame } from '../../geometry/frame'
import type { Side } from '../../tables/vocabulary'
import type { CleanScan } from '../shape/cleanScan'
import { compact } from '../shape/compact'
import { decimated } from '../shape/decimate'
import { everyNth, loosePoints, samplePoints } from '../shape/samplePoints'
import type { PosedScan } from './footFrame'
import { roughPose } from './roughPose'
import { emptyGrid, rasterLow } from './soleGrid'
import { whichSide, type SideGuess } from './whichSide'

/** A clean scan in a rough pose, before anybody has said which foot it is. */
export interface RoughScan extends PosedScan {
  /** x to the right seen from above */
  frame: Frame
  lengthMm: number
  guess: SideGuess
}

/** How high over the floor faces may lie to be kept for the sole, mm. */
const NEAR_SOLE_MM = 75
/** Distance of the points that stand for the whole surface, mm. */
const POINTS_MM = 2
/** As many points are enough on the way to the frame. */
const FEW = 15_000
/** More corners of faces than this near the sole: a dense scan. */
const DENSE = 3 * 90_000

/**
 * Finds the foot in a clean scan and guesses its side.
 *
 * @throws Refusal `no-foot`
 */
export function poseScan(scan: CleanScan): RoughScan {
  const coarse = samplePoints(scan, 3.5)
  const pose = roughPose(coarse.xyz)
  const inPose = allIntoFrame(pose.frame, scan.positions)
  const triangles =
    scan.triangles.length > 0
      ? lowFaces(inPose, scan.triangles)
      : cloudFaces(inPose, scan.spacingMm)
  const sole = { positions: scan.positions, triangles }
  const grid = rasterLow(emptyGrid(pose.lengthMm, 0.4 * pose.lengthMm, 2), inPose, triangles)
  // Dense scans are thinned for everything that follows; the original stays as it came.
  const kept = triangles.length > DENSE ? decimated(compact(sole), 1.1) : compact(sole)
  const points = loosePoints(scan, POINTS_MM)
  const cloud = scan.triangles.length === 0
  return {
    sole: kept,
    cloud,
    edges: cloud ? scan.positions : kept.positions,
    points,
    few: everyNth(points, Math.ceil(points.length / 3 / FEW)),
    frame: pose.frame,
    lengthMm: pose.lengthMm,
    guess: whichSide(grid, pose.lengthMm),
  }
}

/**
 * A cloud's faces laid anew in a better frame, so that steep borders are cut alike on both sides; a
 * mesh stays as it is.
 */
export function refaced(scan: CleanScan, rough: RoughScan, frame: Frame): RoughScan {
  if (scan.triangles.length > 0) return rough
  return {
    ...rough,
    sole: compact({
      positions: scan.positions,
      triangles: cloudFaces(allIntoFrame(frame, scan.positions), scan.spacingMm),
    }),
  }
}

/** The rough frame of a known side: x medial, which for a right foot is to the left. */
export const frameForSide = (frame: Frame, side: Side): Frame =>
  side === 'left' ? frame : { ...frame, x: scaled(frame.x, -1) }

function lowFaces(p: Float64Array, t: Uint32Array): Uint32Array {
  const kept = new Uint32Array(t.length)
  let n = 0
  for (let i = 0; i < t.length; i += 3)
    if (p[3 * t[i]! + 2]! < NEAR_SOLE_MM) {
      kept[n++] = t[i]!
      kept[n++] = t[i + 1]!
      kept[n++] = t[i + 2]!
    }
  return kept.slice(0, n)
}

/** Points that are not far above the lowest one in their cell. */
function lowest(
  p: Float64Array,
  among: readonly number[],
  cellMm: number,
  marginMm: number,
): number[] {
  const key = (i: number) =>
    (Math.floor(p[i]! / cellMm) + 2048) * 4096 + Math.floor(p[i + 1]! / cellMm) + 2048
  const floor = new Map<number, number>()
  for (const i of among) floor.set(key(i), Math.min(floor.get(key(i)) ?? Infinity, p[i + 2]!))
  return among.filter((i) => p[i + 2]! < floor.get(key(i))! + marginMm)
}

/**
 * Faces laid through the lowest points of a cloud (Delaunay in the plan); long ones are gaps and
 * are left out.
 */
function cloudFaces(p: Float64Array, spacingMm: number): Uint32Array {
  const near: number[] = []
  for (let i = 0; i < p.length; i += 3) if (p[i + 2]! < NEAR_SOLE_MM) near.push(i)
  // First without the instep above the sole, then without what stands on the same spot as a wall.
  const low = lowest(
    p,
    lowest(p, near, Math.max(6, 5 * spacingMm), 8),
    Math.max(2, 1.5 * spacingMm),
    5,
  )
  const delaunay = Delaunay.from(
    low,
    (i) => p[i]!,
    (i) => p[i + 1]!,
  )
  const out: number[] = []
  const longest = Math.max(5, 3.2 * spacingMm)
  const t = delaunay.triangles
  for (let f = 0; f < t.length; f += 3) {
    const [a, b, c] = [low[t[f]!]!, low[t[f + 1]!]!, low[t[f + 2]!]!]
    const side = (i: number, j: number) => Math.hypot(p[i]! - p[j]!, p[i + 1]! - p[j + 1]!)
    if (Math.max(side(a, b), side(b, c), side(c, a)) < longest) out.push(a / 3, b / 3, c / 3)
  }
  return Uint32Array.from(out)
}
