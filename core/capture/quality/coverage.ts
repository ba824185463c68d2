import { rowEnds } from '../../geometry/grid'
import { leastSquares } from '../../geometry/leastSquares'
import type { FootView } from '../foot/footFrame'
import type { SoleGrid } from '../foot/soleGrid'

/** A part of the sole that was not seen. */
export interface Gap {
  areaMm2: number
  /** middle, in the foot's frame, mm */
  xMm: number
  yMm: number
  /** where it lies, in words */
  words: string
  filled: boolean
}

/** Between toes the scan rightly sees nothing: gaps this narrow are clefts, mm. */
const CLEFT_MM = 9

export interface Coverage {
  /** share of the sole that was seen, % */
  percent: number
  /** points of the scan per cm² of sole */
  pointsPerCm2: number
  gaps: Gap[]
  /** the sole with small gaps filled; NaN outside and in gaps that are too large */
  grid: SoleGrid
  /** 1 where the foot's plan is, seen or not */
  plan: Uint8Array
}

/** Where a place lies on a foot, in a fitter's words. */
export function placeWords(view: Pick<FootView, 'lengthMm'>, x: number, y: number): string {
  const s = y / view.lengthMm
  const part = s < 0.28 ? 'heel' : s < 0.6 ? 'midfoot' : s < 0.78 ? 'ball' : 'toes'
  const side = x > 12 ? 'inner' : x < -12 ? 'outer' : 'middle'
  return `${side} ${part}, ${y.toFixed(0)} mm from the heel`
}

/**
 * How much of the sole was seen, what was not, and the sole with its small gaps filled.
 *
 * @param mostFilledMm2 largest gap that is filled smoothly, mm²; larger ones are left open and
 *   named
 */
export function coverageOf(view: FootView, mostFilledMm2: number): Coverage {
  const { grid, low, lengthMm } = view
  const { columns, rows, stepMm, x0, y0 } = grid
  const plan = planOf(view)
  let cells = 0
  let seen = 0
  const missing = new Uint8Array(plan.length)
  for (let i = 0; i < plan.length; i++) {
    if (!plan[i]) continue
    cells++
    if (Number.isNaN(grid.z[i]!)) missing[i] = 1
    else seen++
  }
  const filled: SoleGrid = { ...grid, z: Float64Array.from(grid.z, (z, i) => (plan[i] ? z : NaN)) }
  const gaps: Gap[] = []
  for (const part of regions(missing, columns)) {
    const areaMm2 = part.length * stepMm ** 2
    if (areaMm2 < 4) {
      fill(filled, part)
      continue
    }
    const mean = (of: (i: number) => number) => part.reduce((s, i) => s + of(i), 0) / part.length
    const xMm = x0 + (mean((i) => i % columns) + 0.5) * stepMm
    const yMm = y0 + (mean((i) => Math.floor(i / columns)) + 0.5) * stepMm
    const small = areaMm2 <= mostFilledMm2
    if (small) fill(filled, part)
    gaps.push({ areaMm2, xMm, yMm, words: placeWords({ lengthMm }, xMm, yMm), filled: small })
  }
  let points = 0
  for (let i = 0; i < low.length; i += 3) {
    const [c, r] = [Math.floor((low[i]! - x0) / stepMm), Math.floor((low[i + 1]! - y0) / stepMm)]
    if (c >= 0 && r >= 0 && c < columns && r < rows && plan[r * columns + c] && low[i + 2]! < 20)
      points++
  }
  return {
    percent: cells ? (100 * seen) / cells : 0,
    pointsPerCm2: cells ? points / ((cells * stepMm ** 2) / 100) : 0,
    gaps: gaps.sort((a, b) => b.areaMm2 - a.areaMm2),
    grid: filled,
    plan,
  }
}

/**
 * Plan of the foot: every row from border to border; rows without any point take their borders from
 * the nearest rows around.
 */
function planOf({ grid, lengthMm }: FootView): Uint8Array {
  const { columns, rows, stepMm, y0 } = grid
  const { from, to } = rowEnds(grid)
  // A border that jumps in by more than its neighbours allow was not seen there: the line between
  // what was seen bridges it.
  const bridged = (line: Float64Array, sign: 1 | -1) => {
    const out = Float64Array.from(line)
    const reach = Math.round(14 / stepMm)
    for (let r = 0; r < rows; r++) {
      const y = y0 + (r + 0.5) * stepMm
      if (y < 0.02 * lengthMm || y > 0.9 * lengthMm) continue
      const side = (d: number) => {
        let best = NaN
        for (let k = 1; k <= reach; k++) {
          const v = line[r + d * k]
          if (v !== undefined && !Number.isNaN(v) && !(sign * v <= sign * best)) best = v
        }
        return best
      }
      const [a, b] = [side(-1), side(1)]
      const bound = Number.isNaN(a)
        ? b
        : Number.isNaN(b)
          ? a
          : sign > 0
            ? Math.min(a, b)
            : Math.max(a, b)
      if (Number.isNaN(out[r]!) || sign * (bound - out[r]!) > 2 / stepMm) out[r] = bound
    }
    return out
  }
  const [left, right] = [bridged(from, -1), bridged(to, 1)]
  const plan = new Uint8Array(grid.z.length)
  for (let r = 0; r < rows; r++) {
    const y = y0 + (r + 0.5) * stepMm
    if (Number.isNaN(left[r]!) || y < 0 || y > lengthMm) continue
    const [a, b] = [Math.ceil(left[r]!), Math.floor(right[r]!)]
    for (let c = a; c <= b; c++) plan[r * columns + c] = 1
    if (y > 0.72 * lengthMm) clearClefts(grid, plan, r, a, b)
  }
  return plan
}

function clearClefts(
  { z, columns, stepMm }: SoleGrid,
  plan: Uint8Array,
  r: number,
  a: number,
  b: number,
) {
  for (let c = a; c <= b; c++) {
    if (!Number.isNaN(z[r * columns + c]!)) continue
    let end = c
    while (end <= b && Number.isNaN(z[r * columns + end]!)) end++
    if ((end - c) * stepMm <= CLEFT_MM) for (let k = c; k < end; k++) plan[r * columns + k] = 0
    c = end
  }
}

function regions(missing: Uint8Array, columns: number): number[][] {
  const left = Uint8Array.from(missing)
  const out: number[][] = []
  for (let i = 0; i < left.length; i++) {
    if (!left[i]) continue
    const part = [i]
    left[i] = 0
    for (let k = 0; k < part.length; k++)
      for (const d of [1, -1, columns, -columns]) {
        const j = part[k]! + d
        if (left[j]) {
          left[j] = 0
          part.push(j)
        }
      }
    out.push(part)
  }
  return out
}

/**
 * Fills a gap: a curved surface laid through its surroundings, then bent to meet them all around
 * (relaxation of what it misses).
 */
function fill(grid: SoleGrid, part: readonly number[]) {
  const { z, columns } = grid
  const inside = new Set(part)
  const ring = new Set<number>()
  for (const i of part)
    for (let dr = -5; dr <= 5; dr++)
      for (let dc = -5; dc <= 5; dc++) {
        const j = i + dr * columns + dc
        if (!inside.has(j) && j >= 0 && j < z.length && !Number.isNaN(z[j]!)) ring.add(j)
      }
  if (ring.size < 3) return
  const [c0, r0] = [part[0]! % columns, Math.floor(part[0]! / columns)]
  const terms = (i: number) => {
    const [x, y] = [(i % columns) - c0, Math.floor(i / columns) - r0]
    return ring.size < 24 ? [1, x, y] : [1, x, y, x * x, x * y, y * y]
  }
  const fit = leastSquares([...ring].map((i) => [terms(i), z[i]!] as const))
  const base = (i: number) => (fit ? terms(i).reduce((s, t, k) => s + t * fit[k]!, 0) : 0)
  const miss = new Map<number, number>()
  for (const i of ring) miss.set(i, z[i]! - base(i))
  for (const i of part) miss.set(i, 0)
  const sweeps = Math.min(400, 20 + 8 * Math.ceil(Math.sqrt(part.length)) ** 2)
  for (let k = 0; k < sweeps; k++)
    for (const i of part) {
      let [s, n] = [0, 0]
      for (const d of [1, -1, columns, -columns]) {
        const v = miss.get(i + d)
        if (v !== undefined) {
          s += v
          n++
        }
      }
      if (n) miss.set(i, s / n)
    }
  for (const i of part) z[i] = base(i) + miss.get(i)!
}
