import {
  across,
  cross,
  dot,
  minus,
  plus,
  scaled,
  unit,
  type Frame,
  type Vec3,
} from '../../geometry/frame'
import { everyNth } from '../shape/samplePoints'
import { Refusal } from '../../record/refusal'

/** Directions tried for the sole, spread evenly over the sphere (Fibonacci lattice). */
const DIRECTIONS = 1400
/** What lies this close to a supporting plane counts as lying on it, mm. */
const SLAB_MM = 7
const CELL_MM = 7
/** Directions with the largest support that are looked at more closely. */
const STARTS = 20

/**
 * Cells are counted by marking them with the number of the count; the marks are kept so that
 * nothing has to be cleared.
 */
const SIDE = 256
const marks = new Int32Array(SIDE * SIDE)
let counting = 0

/**
 * Occupied cells of the points seen along a direction: those close to the plane that supports the
 * body there, and all of them.
 */
function cellsAlong(xyz: Float64Array, d: Vec3, slabMm: number): number {
  const n = xyz.length / 3
  let top = -Infinity
  for (let i = 0; i < xyz.length; i += 3) {
    const h = d[0] * xyz[i]! + d[1] * xyz[i + 1]! + d[2] * xyz[i + 2]!
    if (h > top) top = h
  }
  const [u, v] = across(d)
  const [x0, y0, z0] = [xyz[0]!, xyz[1]!, xyz[2]!]
  counting++
  let count = 0
  for (let i = 0; i < 3 * n; i += 3) {
    const [x, y, z] = [xyz[i]!, xyz[i + 1]!, xyz[i + 2]!]
    if (d[0] * x + d[1] * y + d[2] * z <= top - slabMm) continue
    const a = Math.floor((u[0] * (x - x0) + u[1] * (y - y0) + u[2] * (z - z0)) / CELL_MM)
    const b = Math.floor((v[0] * (x - x0) + v[1] * (y - y0) + v[2] * (z - z0)) / CELL_MM)
    const at = (a & (SIDE - 1)) * SIDE + (b & (SIDE - 1))
    if (marks[at] !== counting) {
      marks[at] = counting
      count++
    }
  }
  return count
}

/**
 * How well a direction looks at a sole: much of the body lies on the supporting plane, and little
 * of its shadow falls elsewhere.
 */
const soleness = (xyz: Float64Array, d: Vec3, slabMm = SLAB_MM) =>
  cellsAlong(xyz, d, slabMm) ** 2 / Math.max(1, cellsAlong(xyz, d, Infinity))

/**
 * Directions from which a sole may be seen, looking from below: what climbing from several starts
 * comes to.
 */
function soleDirections(xyz: Float64Array): { d: Vec3; value: number }[] {
  const few = everyNth(xyz, Math.ceil(xyz.length / 3 / 4500))
  const tried: { d: Vec3; value: number }[] = []
  for (let k = 0; k < DIRECTIONS; k++) {
    const z = 1 - (2 * k + 1) / DIRECTIONS
    const a = k * Math.PI * (3 - Math.sqrt(5))
    const d: Vec3 = [Math.sqrt(1 - z * z) * Math.cos(a), Math.sqrt(1 - z * z) * Math.sin(a), z]
    tried.push({ d, value: cellsAlong(few, d, 2 * SLAB_MM) })
  }
  const starts: Vec3[] = []
  for (const { d } of tried.sort((a, b) => b.value - a.value)) {
    if (starts.every((s) => dot(s, d) < Math.cos((12 * Math.PI) / 180))) starts.push(d)
    if (starts.length === STARTS) break
  }
  // Thick slabs first: a sole that bends is not yet met by a thin one from a few degrees away.
  const thick = starts.map((d) => climb(few, d, [5], 2 * SLAB_MM)).sort((a, b) => b.value - a.value)
  const climbed = distinct(
    thick.map((t) => t.d),
    9,
  )
    .map((d) => climb(few, climb(few, d, [2.5], 2 * SLAB_MM).d, [3, 1.5]))
    .sort((a, b) => b.value - a.value)
  return distinct(
    climbed.map((t) => t.d),
    4,
  ).map((d) => climb(xyz, d, [1.5, 0.7]))
}

/** The first few directions that are at least 8° apart. */
function distinct(all: readonly Vec3[], most: number): Vec3[] {
  const apart: Vec3[] = []
  for (const d of all)
    if (apart.length < most && apart.every((o) => dot(o, d) < Math.cos((8 * Math.PI) / 180)))
      apart.push(d)
  return apart
}

/** Climbs to the best direction nearby, with ever smaller steps, degrees. */
function climb(
  xyz: Float64Array,
  from: Vec3,
  stepsDeg: readonly number[],
  slabMm = SLAB_MM,
): { d: Vec3; value: number } {
  let best = { d: from, value: soleness(xyz, from, slabMm) }
  for (const stepDeg of stepsDeg)
    for (let round = 0; round < 4; round++) {
      const before = best
      const [u, v] = across(before.d)
      const t = Math.tan((stepDeg * Math.PI) / 180)
      for (let k = 0; k < 8; k++) {
        const d = unit(
          plus(
            before.d,
            plus(
              scaled(u, t * Math.cos((k * Math.PI) / 4)),
              scaled(v, t * Math.sin((k * Math.PI) / 4)),
            ),
          ),
        )
        const value = soleness(xyz, d, slabMm)
        if (value > best.value) best = { d, value }
      }
      if (best === before) break
    }
  return best
}

/**
 * A pose good to a few degrees, before it is known which foot it is: z up, y from heel to toes, x
 * to the right seen from above.
 */
export interface RoughPose {
  frame: Frame
  lengthMm: number
  /** how clearly the wide end was told from the narrow one, mm */
  endsMm: number
}

/**
 * Width of a foot's plan as a share of its length behind the arch, in the middle and at the ball,
 * and how far feet differ.
 */
const PLAN_WIDTHS = [
  { at: 0.3, share: 0.26 },
  { at: 0.5, share: 0.31 },
  { at: 0.68, share: 0.37 },
] as const
const PLAN_SPREAD = 0.06

interface Plan extends RoughPose {
  /** how unlike a foot's plan it is, 0 like one */
  unlike: number
  widestMm: number
}

/** The pose that follows when the sole is seen from one direction. */
function planFrom(xyz: Float64Array, up: Vec3): Plan {
  const [u, v] = across(up)
  let floor = Infinity
  for (let i = 0; i < xyz.length; i += 3)
    floor = Math.min(floor, dot(up, [xyz[i]!, xyz[i + 1]!, xyz[i + 2]!]))
  const low: [number, number, number][] = []
  for (let i = 0; i < xyz.length; i += 3) {
    const p: Vec3 = [xyz[i]!, xyz[i + 1]!, xyz[i + 2]!]
    const h = dot(up, p) - floor
    if (h < 45) low.push([dot(u, p), dot(v, p), h])
  }
  const angle = axisOf(low)
  let y = plus(scaled(u, Math.cos(angle)), scaled(v, Math.sin(angle)))
  let x = cross(y, up)
  let plan = low.map(([a, b]): [number, number] => [
    a * dot(x, u) + b * dot(x, v),
    a * dot(y, u) + b * dot(y, v),
  ])
  let ends = widthAt(plan, 0.62, 0.74) - widthAt(plan, 0.26, 0.38)
  const [low0, high0] = range(plan.map((p) => p[1]))
  const lengthMm = high0 - low0
  const legOver = legShare(xyz, up, floor, y, low0, lengthMm)
  if (legOver !== null) ends += legOver > 0.5 ? -40 : 40
  if (ends < 0) {
    y = scaled(y, -1)
    x = scaled(x, -1)
    plan = plan.map(([a, b]): [number, number] => [-a, -b])
  }
  const widths = PLAN_WIDTHS.map(({ at, share }) => ({
    width: widthAt(plan, at - 0.03, at + 0.03),
    share,
  }))
  const unlike = widths.reduce(
    (sum, w) => sum + Math.abs(w.width / lengthMm - w.share) / PLAN_SPREAD,
    0,
  )
  const side = range(plan.map((p) => p[0])).reduce((a, b) => a + b) / 2
  const origin = plus(
    plus(scaled(x, side), scaled(y, range(plan.map((p) => p[1]))[0])),
    scaled(up, floor),
  )
  return {
    frame: { origin, x, y, z: up },
    lengthMm,
    endsMm: Math.abs(ends),
    unlike,
    widestMm: Math.max(...widths.map((w) => w.width)),
  }
}

/**
 * Finds a foot in a cloud of points in any pose: the sole is where most of it lies on one plane and
 * its plan is most like a foot's, the long axis is that of its plan, the toes are at the wide end.
 * A leg in view must stand over the heel.
 *
 * @param xyz points about 3 mm apart, mm
 * @throws Refusal when the plan is not that of a foot
 */
export function roughPose(xyz: Float64Array): RoughPose {
  const [best] = soleDirections(xyz)
    .map(({ d, value }) => ({ plan: planFrom(xyz, scaled(d, -1)), value }))
    .sort(
      (a, b) => b.value * Math.exp(-0.5 * b.plan.unlike) - a.value * Math.exp(-0.5 * a.plan.unlike),
    )
  const { frame, lengthMm, widestMm, endsMm } = best!.plan
  const ratio = widestMm / lengthMm
  if (lengthMm < 110 || lengthMm > 400 || ratio < 0.26 || ratio > 0.62)
    throw new Refusal(
      'no-foot',
      `This shape is ${lengthMm.toFixed(0)} mm long and ${widestMm.toFixed(0)} mm wide: no foot is. Check the unit, or scan again.`,
      'scan',
    )
  if (endsMm < 4)
    throw new Refusal(
      'no-foot',
      'Both ends of this shape are equally wide, so it is not a foot that can be read. Scan again with heel and ball in view.',
      'scan',
    )
  return { frame, lengthMm, endsMm }
}

/**
 * Direction of the long axis of a plan, by the moments of its occupied cells, radians from the
 * first axis.
 */
function axisOf(low: readonly [number, number, number][]): number {
  const cells = new Map<number, [number, number]>()
  for (const [a, b] of low)
    cells.set((Math.floor(a / CELL_MM) + 512) * 1024 + Math.floor(b / CELL_MM) + 512, [a, b])
  const n = cells.size
  let [ma, mb, aa, ab, bb] = [0, 0, 0, 0, 0]
  for (const [a, b] of cells.values()) {
    ma += a / n
    mb += b / n
  }
  for (const [a, b] of cells.values()) {
    aa += (a - ma) ** 2
    ab += (a - ma) * (b - mb)
    bb += (b - mb) ** 2
  }
  return 0.5 * Math.atan2(2 * ab, aa - bb)
}

const range = (values: readonly number[]): [number, number] => {
  let [low, high] = [Infinity, -Infinity]
  for (const v of values) {
    if (v < low) low = v
    if (v > high) high = v
  }
  return [low, high]
}

/** Width of the plan between two shares of its length. */
function widthAt(plan: readonly [number, number][], from: number, to: number): number {
  const [low, high] = range(plan.map((p) => p[1]))
  const inside = plan
    .filter(([, y]) => y > low + from * (high - low) && y < low + to * (high - low))
    .map((p) => p[0])
  if (inside.length < 3) return 0
  const [a, b] = range(inside)
  return b - a
}

/** Where along the foot its leg stands (0 rear, 1 front), null when none is in view. */
function legShare(
  xyz: Float64Array,
  up: Vec3,
  floor: number,
  y: Vec3,
  from: number,
  length: number,
): number | null {
  let [sum, n] = [0, 0]
  const origin = scaled(up, floor)
  for (let i = 0; i < xyz.length; i += 3) {
    const p = minus([xyz[i]!, xyz[i + 1]!, xyz[i + 2]!], origin)
    if (dot(up, p) > 0.36 * length) {
      sum += (dot(y, p) - from) / length
      n++
    }
  }
  return n > 60 ? sum / n : null
}
