import { Refusal } from '../record/refusal'

/**
 * Cells that may touch: a foot of tissue springs over a surface. All arrays per cell, mm and MPa. A
 * cell with a = 0 is a linear spring of give c.
 */
export interface ContactCells {
  x: Float64Array
  y: Float64Array
  /** plan area of a cell, mm² */
  areaMm2: number
  /** height of the foot over the surface, mm; pressed in by (sink − gap) */
  gapMm: Float64Array
  /** vertical share of the surface's normal */
  nz: Float64Array
  /** tissue law: δ = a·ln(1 + p/p0) + c·p */
  aMm: Float64Array
  p0: Float64Array
  cMm: Float64Array
}

export interface ContactLoad {
  forceN: number
  /** where the resultant is held in y, and the centre the roll turns about, mm */
  xcMm: number
  ycMm: number
  /** roll held by a spring, N·mm/rad; `fixed` lets nothing turn, 0 lets it turn freely */
  roll: number | 'fixed'
}

export interface ContactSolution {
  sinkMm: number
  rollRad: number
  pitchRad: number
  /** MPa by cell */
  pressure: Float64Array
  copMm: { x: number; y: number }
  /** largest imbalance left, as a share of the force */
  imbalance: number
  steps: number
}

/** Newton is scaled so that 1 mm of sinking, a roll of 1/30 and a pitch of 1/80 rad count alike. */
const SCALE = [1, 1 / 30, 1 / 80] as const
const STEP_CAP = 6
const BALANCED = 1e-7
const MOST_STEPS = 80
const MOST_SLOPE = 0.6
const MOST_GAP_MM = 60

/** A give so small against the tissue's that the pressure cannot be read off it. */
const HARDLY_GIVES = 1e-4

/**
 * p, dp/dδ, the energy per true area and v = ln(1 + p/p0) of one spring pressed in by δ > 0. One or
 * two Newton steps in v from a guess near it, up to five from none; both δ/a and ln(1 + δ/(c·p0))
 * lie above the root.
 *
 * @param guess v of a moment ago; 0 for none
 */
function spring(
  delta: number,
  a: number,
  p0: number,
  c: number,
  guess: number,
  out: Float64Array,
): void {
  if (a <= 0) {
    out[0] = delta / c
    out[1] = 1 / c
    out[2] = (delta * delta) / (2 * c)
    return
  }
  const g = c * p0
  let v = delta / a
  if (g > 0) {
    let most = v
    if (guess > 0 && guess < most) v = guess
    else v = most = Math.min(v, Math.log1p(delta / g))
    for (let k = 0; k < 30; k++) {
      const e = Math.exp(v)
      const step = (a * v + g * (e - 1) - delta) / (a + g * e)
      v -= step
      if (v > most) v = most
      if (step < 1e-12 && step > -1e-12) break
    }
  }
  const p = g > HARDLY_GIVES * a ? (delta - a * v) / c : p0 * Math.expm1(v)
  out[0] = p
  out[1] = 1 / (a / (p0 + p) + c)
  out[2] = a * (p - p0 * v) + (c * p * p) / 2
  out[3] = v
}

interface Sums {
  energy: number
  force: number
  mx: number
  my: number
  k: Float64Array
}

/**
 * Where the foot comes to rest: vertical force in balance, the resultant at the y that was asked,
 * the roll against its spring. The sum of the springs' energy less the load's work is convex, so
 * there is one answer (Newton with a line search; stops when the imbalance is under 1e-7 of the
 * force).
 *
 * @param start sink, roll and pitch to begin from (a coarser solution, or the last one while
 *   something is dragged)
 * @throws Refusal `no-equilibrium` where the load lies outside everything that can touch, or the
 *   answer leaves what the model can say
 * For instance `solveContact(cells, { forceN: 400, xcMm: 0, ycMm: 50, roll: 0 }).copMm.y` is 50
 */
export function solveContact(
  cells: ContactCells,
  load: ContactLoad,
  start?: readonly [number, number, number],
): ContactSolution {
  const { x, y, gapMm, nz, aMm, p0, cMm, areaMm2 } = cells
  const n = x.length
  const { forceN: F, xcMm: xc, ycMm: yc, roll } = load
  const refuse = (why: string): never => {
    throw new Refusal(
      'no-equilibrium',
      `There is no rest for this foot on this surface: ${why}.`,
      'contact',
    )
  }
  if (!(F > 0) || !Number.isFinite(F + xc + yc)) return refuse('the load is not a force')
  if (!insideHull(cells, roll === 0 ? xc : null, yc))
    return refuse('the load lies outside the part that can touch')
  const kR = roll === 'fixed' ? 0 : roll
  const free = roll === 'fixed' ? ([0, 2] as const) : ([0, 1, 2] as const)
  const out = new Float64Array(4)
  const guess = new Float64Array(n)
  /** Energy, forces and stiffness at a place; the pressures where they are wanted. */
  const sums = (s: number, al: number, ga: number, keep?: Float64Array): Sums => {
    let [energy, force, mx, my] = [0, 0, 0, 0]
    const k = new Float64Array(6)
    for (let i = 0; i < n; i++) {
      const dx = x[i]! - xc
      const dy = y[i]! - yc
      const dz = s - gapMm[i]! - al * dx - ga * dy
      if (dz <= 0) {
        if (keep) keep[i] = 0
        continue
      }
      spring(dz * nz[i]!, aMm[i]!, p0[i]!, cMm[i]!, guess[i]!, out)
      guess[i] = out[3]!
      const p = out[0]!
      if (keep) keep[i] = p
      energy += out[2]! / nz[i]!
      force += p
      mx += p * dx
      my += p * dy
      const d = out[1]! * nz[i]!
      k[0]! += d
      k[1]! += d * dx
      k[2]! += d * dy
      k[3]! += d * dx * dx
      k[4]! += d * dx * dy
      k[5]! += d * dy * dy
    }
    for (let j = 0; j < 6; j++) k[j]! *= areaMm2
    return {
      energy: energy * areaMm2 - F * s + 0.5 * kR * al * al,
      force: force * areaMm2,
      mx: mx * areaMm2,
      my: my * areaMm2,
      k,
    }
  }
  let lowest = Infinity
  for (let i = 0; i < n; i++) if (gapMm[i]! < lowest) lowest = gapMm[i]!
  if (!Number.isFinite(lowest)) return refuse('nothing can touch')
  if (Math.abs(lowest) > MOST_GAP_MM)
    return refuse(`the nearest point is ${lowest.toFixed(0)} mm away`)
  let at: [number, number, number] = start
    ? [start[0], roll === 'fixed' ? 0 : start[1], start[2]]
    : [lowest + 3, 0, 0]
  let now = sums(...at)
  const gradient = (q: Sums, al: number) => [q.force - F, -q.mx + kR * al, -q.my] as const
  let steps = 0
  let imbalance = Infinity
  for (; steps < MOST_STEPS; steps++) {
    const g = gradient(now, at[1])
    imbalance = Math.max(...free.map((j) => Math.abs(g[j]! * SCALE[j]!))) / F
    if (imbalance < BALANCED) break
    const [k0, k1, k2, k3, k4, k5] = now.k as unknown as [
      number,
      number,
      number,
      number,
      number,
      number,
    ]
    const H = [
      [k0, -k1, -k2],
      [-k1, k3 + kR, k4],
      [-k2, k4, k5],
    ]
    const step = solveScaled(H, g, free)
    const size = Math.hypot(...free.map((j) => step[j]! / SCALE[j]!))
    const cap = size > STEP_CAP ? STEP_CAP / size : 1
    const slope = free.reduce<number>((sum, j) => sum + g[j]! * step[j]!, 0) * cap
    let t = cap
    for (let half = 0; ; half++) {
      const next: [number, number, number] = [
        at[0] + t * step[0]!,
        at[1] + t * step[1]!,
        at[2] + t * step[2]!,
      ]
      const there = sums(...next)
      // Near the end the energy no longer tells steps apart: there the imbalance decides.
      const g2 = gradient(there, next[1])
      const better =
        there.energy <= now.energy + 1e-4 * (t / cap) * slope ||
        Math.max(...free.map((j) => Math.abs(g2[j]! * SCALE[j]!))) / F < 0.5 * imbalance
      if (better || half > 40) {
        at = next
        now = there
        break
      }
      t /= 2
    }
    if (![...at, now.energy].every(Number.isFinite)) return refuse('the numbers run away')
  }
  if (imbalance >= BALANCED * 1e3) return refuse('it does not come into balance')
  if (Math.abs(at[1]) > MOST_SLOPE || Math.abs(at[2]) > MOST_SLOPE)
    return refuse('it would tip over')
  const pressure = new Float64Array(n)
  const end = sums(...at, pressure)
  return {
    sinkMm: at[0],
    rollRad: at[1],
    pitchRad: at[2],
    pressure,
    copMm: { x: xc + end.mx / end.force, y: yc + end.my / end.force },
    imbalance,
    steps,
  }
}

/** Newton's step in scaled unknowns, with a little of the diagonal added while nothing touches. */
function solveScaled(
  H: readonly (readonly number[])[],
  g: readonly number[],
  free: readonly (0 | 1 | 2)[],
): number[] {
  const m = free.length
  const A = free.map((i) => [
    ...free.map((j) => H[i]![j]! * SCALE[i]! * SCALE[j]!),
    -g[i]! * SCALE[i]!,
  ])
  const trace = A.reduce((s, row, i) => s + row[i]!, 0)
  A.forEach((row, i) => (row[i] = row[i]! + Math.max(1e-12 * trace, 1e-9)))
  for (let i = 0; i < m; i++) {
    let best = i
    for (let r = i + 1; r < m; r++) if (Math.abs(A[r]![i]!) > Math.abs(A[best]![i]!)) best = r
    ;[A[i], A[best]] = [A[best]!, A[i]!]
    for (let r = i + 1; r < m; r++) {
      const f = A[r]![i]! / A[i]![i]!
      for (let c = i; c <= m; c++) A[r]![c]! -= f * A[i]![c]!
    }
  }
  const out = [0, 0, 0]
  const solved = Array.from({ length: m }, () => 0)
  for (let i = m - 1; i >= 0; i--) {
    let v = A[i]![m]!
    for (let c = i + 1; c < m; c++) v -= A[i]![c]! * solved[c]!
    solved[i] = v / A[i]![i]!
    out[free[i]!] = solved[i]! * SCALE[free[i]!]
  }
  return out
}

/**
 * Can the resultant lie there at all? In y always; in x only where the roll is free and holds
 * nothing.
 */
function insideHull({ x, y }: ContactCells, xc: number | null, yc: number): boolean {
  let [low, high, left, right] = [Infinity, -Infinity, Infinity, -Infinity]
  for (let i = 0; i < x.length; i++) {
    if (y[i]! < low) low = y[i]!
    if (y[i]! > high) high = y[i]!
    if (x[i]! < left) left = x[i]!
    if (x[i]! > right) right = x[i]!
  }
  return yc > low && yc < high && (xc === null || (xc > left && xc < right))
}
