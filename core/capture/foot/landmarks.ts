import { intoFrame, type Vec3 } from '../../geometry/frame'
import { leastSquares } from '../../geometry/leastSquares'
import { edgeOf } from './edges'
import { HEAD_NAMES, nearHeight, PLAN_Z, type FootView } from './footFrame'
import { FOOT_REFERENCE } from './references'

export const LANDMARKS = [
  'heel',
  'heelRear',
  'heelBisectionLow',
  'heelBisectionHigh',
  'firstMetHead',
  'secondMetHead',
  'thirdMetHead',
  'fourthMetHead',
  'fifthMetHead',
  'firstMetCentre',
  'toe1',
  'toe2',
  'toe3',
  'toe4',
  'toe5',
  'archApex',
  'navicular',
  'lateralBorder',
] as const
export type LandmarkName = (typeof LANDMARKS)[number]
export type Landmarks = Partial<Record<LandmarkName, Vec3>>

const ON_SOLE = new Set<string>(['heel', 'archApex', ...HEAD_NAMES])

/**
 * Height of the navicular over the arch apex on the inner side, mm: a place to look at, to be moved
 * by hand.
 */
const NAVICULAR_ABOVE_MM = 30

/**
 * Landmarks of a foot in its own frame, mm. Those that were moved by hand stay where they were put;
 * the rest is read off the shape. The navicular is a proposal from its usual place: a scan does not
 * show it.
 */
export function landmarksOf(view: FootView, moved: Landmarks): Landmarks {
  const { fine, low, lengthMm, heads, heel } = view
  const found: Landmarks = {
    heel,
    ...Object.fromEntries(HEAD_NAMES.map((name, k) => [name, heads[k]!])),
  }
  const rear = edgeOf(low, 'rear', PLAN_Z)
  if (rear) found.heelRear = [rear.acrossMm, rear.atMm, rear.zMm]
  const width = heads[0]![0] - heads[4]![0]
  // Heads 1 and 5 are 0.66 of the forefoot's width apart.
  const perWidth = width / 0.66
  for (let k = 0; k < 5; k++) {
    const tip = edgeOf(low, 'front', PLAN_Z, {
      at: FOOT_REFERENCE.toeAcross[k]! * perWidth,
      half: k === 0 ? 7 : 4,
    })
    if (tip && tip.atMm > 0.7 * lengthMm)
      found[`toe${k + 1}` as LandmarkName] = [tip.acrossMm, tip.atMm, tip.zMm]
  }
  const first = heads[0]!
  const top = topAt(view.points, first[1], [first[0] - 12, first[0] + 12], 0.07 * lengthMm)
  if (top !== null) found.firstMetCentre = [first[0], first[1], (first[2] + top) / 2]
  const put = moved.archApex && intoFrame(view.frame, moved.archApex)
  const apex: Vec3 | null = put ? [put[0], put[1], nearHeight(fine, put[0], put[1])] : apexOf(view)
  if (apex) {
    found.archApex = apex
    const side = edgeOf(
      view.points,
      'medial',
      [apex[2] + NAVICULAR_ABOVE_MM - 6, apex[2] + NAVICULAR_ABOVE_MM + 6],
      { at: apex[1], half: 6 },
    )
    if (side) found.navicular = [side.atMm, apex[1], apex[2] + NAVICULAR_ABOVE_MM]
  }
  const outer = edgeOf(low, 'lateral', PLAN_Z, { at: (heel[1] + heads[4]![1]) / 2, half: 6 })
  if (outer)
    found.lateralBorder = [
      outer.atMm,
      outer.acrossMm,
      nearHeight(fine, outer.atMm + 2, outer.acrossMm),
    ]
  Object.assign(found, bisectionOf(view))
  // Heel, heads and apex lie on the sole: the view has found their height anew where they were put.
  for (const [name, at] of Object.entries(moved))
    if (!ON_SOLE.has(name)) found[name as LandmarkName] = intoFrame(view.frame, at)
  return found
}

/**
 * Arch apex: the highest point of the sole under the line from heel to first met head; a parabola
 * over 28 mm steadies its place.
 */
function apexOf({ fine, heel, heads }: FootView): Vec3 | null {
  const first = heads[0]!
  const length = Math.hypot(first[0] - heel[0], first[1] - heel[1])
  const at = (d: number): [number, number, number] => {
    const t = d / length
    const [x, y] = [heel[0] + t * (first[0] - heel[0]), heel[1] + t * (first[1] - heel[1])]
    return [x, y, nearHeight(fine, x, y)]
  }
  let best = 0
  for (let d = 0.2 * length; d < 0.85 * length; d += 1) if (at(d)[2] > at(best)[2]) best = d
  if (best === 0) return null
  const rows: [number[], number][] = []
  for (let d = best - 14; d <= best + 14; d++) rows.push([[1, d - best, (d - best) ** 2], at(d)[2]])
  const fit = leastSquares(rows)
  const shift = fit && fit[2]! < -1e-4 ? Math.max(-10, Math.min(10, -fit[1]! / (2 * fit[2]!))) : 0
  return at(best + shift)
}

/**
 * Highest point of the body over a line across the foot, by a parabola through its uppermost
 * points; null when there is none above a least height: it is open.
 */
export function topAt(
  p: Float64Array,
  y: number,
  xRange: readonly [number, number],
  leastMm: number,
): number | null {
  const near: [number, number][] = []
  let high = -Infinity
  for (let i = 0; i < p.length; i += 3)
    if (Math.abs(p[i + 1]! - y) < 4 && p[i]! >= xRange[0] && p[i]! <= xRange[1]) {
      near.push([p[i]!, p[i + 2]!])
      high = Math.max(high, p[i + 2]!)
    }
  const top = near.filter(([, z]) => z > high - 4)
  if (top.length < 6 || high < leastMm) return null
  const x0 = top.reduce((s, q) => s + q[0], 0) / top.length
  const fit = leastSquares(top.map(([x, z]) => [[1, x - x0, (x - x0) ** 2], z] as const))
  return fit
    ? Math.max(...top.map(([x]) => fit[0]! + fit[1]! * (x - x0) + fit[2]! * (x - x0) ** 2))
    : high
}

/**
 * The line that halves the back of the heel, through the middles of its slices; absent where its
 * sides are not seen that high. The slices are laid across the line itself, found by turning them
 * until it no longer leans in them: level slices through a leaning dome would lean too little.
 */
function bisectionOf(view: FootView): Landmarks {
  const { points, lengthMm } = view
  const kept: number[] = []
  for (let i = 0; i < points.length; i += 3)
    if (points[i + 1]! < 0.13 * lengthMm && points[i + 2]! < 60)
      kept.push(points[i]!, points[i + 1]!, points[i + 2]!)
  const back = Float64Array.from(kept)
  let lean = 0
  let x0 = 0
  for (let round = 0; round < 5; round++) {
    const [c, s] = [Math.cos(lean), Math.sin(lean)]
    const upright = back.slice()
    for (let i = 0; i < back.length; i += 3) {
      upright[i] = back[i]! * c - back[i + 2]! * s
      upright[i + 2] = back[i]! * s + back[i + 2]! * c
    }
    const line = middleLine(upright, lengthMm)
    if (!line) return {}
    lean += Math.atan(line[1]!)
    x0 = line[0]!
  }
  const at = (z: number): Vec3 => [
    x0 * Math.cos(lean) + z * Math.sin(lean),
    0.02 * lengthMm,
    z * Math.cos(lean) - x0 * Math.sin(lean),
  ]
  return { heelBisectionLow: at(14), heelBisectionHigh: at(38) }
}

/** x over height of the middles between both sides of the back of the heel: offset and slope. */
function middleLine(back: Float64Array, lengthMm: number): number[] | null {
  const middles: [number, number][] = []
  for (let z = 14; z <= 38; z += 3) {
    const range: [number, number] = [z - 4, z + 4]
    const window = { at: 0.075 * lengthMm, half: 0.05 * lengthMm }
    const [m, l] = [edgeOf(back, 'medial', range, window), edgeOf(back, 'lateral', range, window)]
    if (m && l && m.atMm - l.atMm > 0.12 * lengthMm) middles.push([z, (m.atMm + l.atMm) / 2])
  }
  return middles.length < 6 ? null : leastSquares(middles.map(([z, x]) => [[1, z], x] as const))
}
