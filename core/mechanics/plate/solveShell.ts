import {
  BLOCK,
  blockOf,
  blockPattern,
  factor,
  solveFactored,
  type BlockPattern,
} from './blockCholesky'
import { deflectionAt, foundationSamples, type FoundationSample } from './foundation'
import { elementStiffness, place } from './shellElement'
import { thicknessAt, type ShellModel } from './shellModel'

/** Springs that are open keep this share, so that nothing ever floats. */
const OPEN = 1e-7
/**
 * Contact has settled when no point changes; after so many turns, when fewer than this share do.
 * The last few points, far out at a corner, count for some per cent.
 */
const PATIENCE = 8
const SETTLED = 0.005
const MOST_TURNS = 25
/**
 * At the start everything that is hardly higher than its lowest point is taken to touch, mm: it
 * will come down so far before anything carries.
 */
const TOUCHES_MM = 0.5

export interface ShellAnswer {
  /** ux uy uz θx θy θz a vertex, mm and rad */
  unknowns: Float64Array
  /** sum of what holds the fixed unknowns, N */
  reactionN: [number, number, number]
  /** what the foundation carries, N */
  foundationN: number
  /** turns of contact it took */
  iterations: number
  /** false when contact had not settled at the cap */
  settled: boolean
  /** which samples of the foundation carry */
  touching: Uint8Array
  /** the factor it ended with: the same shell under another load starts from it */
  factored: Factored
}

/** What a solve may start from: samples that touched, and the factor of the same shell. */
export type ShellStart = Pick<ShellAnswer, 'touching'> & Partial<Pick<ShellAnswer, 'factored'>>

/**
 * A shell made ready to be solved: order, blocks and elements, kept while only loads and springs
 * change.
 */
export interface ReadyShell {
  model: ShellModel
  pattern: BlockPattern
  /** elements and open springs */
  stiffness: Float64Array
  samples: FoundationSample[]
}

/**
 * Assembles a shell.
 *
 * @param pattern of the same mesh, from an earlier solve
 */
export function readyShell(model: ShellModel, pattern?: BlockPattern): ReadyShell {
  const n = model.verticesMm.length
  const order =
    pattern ??
    blockPattern(
      n,
      model.triangles.flatMap(([a, b, c]) => [a, b, b, c, c, a]),
    )
  const stiffness = new Float64Array(36 * order.row.length)
  const K = new Float64Array(324)
  model.triangles.forEach((t, e) => {
    elementStiffness(
      place(model.verticesMm[t[0]]!, model.verticesMm[t[1]]!, model.verticesMm[t[2]]!),
      thicknessAt(model, e),
      model.youngMPa,
      model.poisson,
      K,
    )
    for (let p = 0; p < 3; p++)
      for (let q = 0; q <= p; q++) {
        const { at, turned } = blockOf(order, t[p]!, t[q]!)
        const from = 18 * 6 * p + 6 * q
        for (let i = 0; i < BLOCK; i++)
          for (let j = 0; j < BLOCK; j++)
            stiffness[36 * at + (turned ? BLOCK * j + i : BLOCK * i + j)]! += K[from + 18 * i + j]!
      }
  })
  const samples = foundationSamples(model)
  addSprings(order, stiffness, samples, () => OPEN)
  return { model, pattern: order, stiffness, samples }
}

/** Of a node only uz, θx and θy feel the foundation. */
const FIRST = 2

/** Adds the springs of samples to the blocks: k·aᵀa on uz, θx, θy of both ends. */
function addSprings(
  pattern: BlockPattern,
  values: Float64Array,
  samples: readonly FoundationSample[],
  share: (k: number) => number,
): void {
  for (let s = 0; s < samples.length; s++) {
    const spring = samples[s]!.k * share(s)
    if (spring === 0) continue
    const { a, b, by } = samples[s]!
    const [aa, bb, ba] = [
      36 * blockOf(pattern, a, a).at,
      36 * blockOf(pattern, b, b).at,
      blockOf(pattern, b, a),
    ]
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) {
        const at = BLOCK * (FIRST + i) + FIRST + j
        values[aa + at]! += spring * by[i]! * by[j]!
        values[bb + at]! += spring * by[3 + i]! * by[3 + j]!
        values[36 * ba.at + (ba.turned ? BLOCK * (FIRST + j) + FIRST + i : at)]! +=
          spring * by[3 + i]! * by[j]!
      }
  }
}

/** Takes held unknowns out: their rows and columns become those of a unit. */
function hold(
  { nodes, order, start, row }: BlockPattern,
  values: Float64Array,
  held: Uint8Array,
): void {
  const any = Uint8Array.from({ length: nodes }, (_, i) =>
    held.subarray(BLOCK * i, BLOCK * i + BLOCK).includes(1) ? 1 : 0,
  )
  for (let j = 0; j < nodes; j++)
    for (let p = start[j]!; p < start[j + 1]!; p++) {
      const below = order[row[p]!]!
      const here = order[j]!
      if (any[below] === 0 && any[here] === 0) continue
      for (let r = 0; r < BLOCK; r++)
        for (let c = 0; c < BLOCK; c++)
          if (held[BLOCK * below + r] || held[BLOCK * here + c])
            values[36 * p + BLOCK * r + c] = p === start[j] && r === c ? 1 : 0
    }
}

/** K·u of the blocks as assembled, in the nodes' own numbering. */
function times(
  { nodes, order, start, row }: BlockPattern,
  values: Float64Array,
  u: Float64Array,
): Float64Array {
  const out = new Float64Array(u.length)
  for (let j = 0; j < nodes; j++)
    for (let p = start[j]!; p < start[j + 1]!; p++) {
      const [i, k] = [BLOCK * order[row[p]!]!, BLOCK * order[j]!]
      for (let r = 0; r < BLOCK; r++)
        for (let c = 0; c < BLOCK; c++) {
          const v = values[36 * p + BLOCK * r + c]!
          out[i + r]! += v * u[k + c]!
          if (p > start[j]!) out[k + c]! += v * u[i + r]!
        }
    }
  return out
}

/** A factor, the contact it was made with, and what single samples would do to it. */
interface Factored {
  values: Float64Array
  touching: Uint8Array
  columns: Map<number, Float64Array>
}

/**
 * A contact that differs from the factor's in no more points than this is solved from it; each
 * costs a twelfth of a new factor.
 */
const MOST_CHANGES = 8

function factored(
  { model, pattern, stiffness, samples }: ReadyShell,
  touching: Uint8Array,
): Factored {
  const values = stiffness.slice()
  addSprings(pattern, values, samples, (s) => (touching[s] ? 1 - OPEN : 0))
  hold(pattern, values, model.held)
  factor(pattern, values)
  return { values, touching, columns: new Map() }
}

/**
 * Unknowns of a contact from the factor of another: springs that came or went are put in as a
 * change of low rank (Woodbury).
 */
function solveFrom(
  { values, touching: base, columns }: Factored,
  { model, pattern, samples }: ReadyShell,
  load: Float64Array,
  touching: Uint8Array,
): Float64Array {
  const u = solveFactored(pattern, values, load)
  const changed = samples.flatMap((_, s) => (touching[s] === base[s] ? [] : [s]))
  if (changed.length === 0) return u
  const z = changed.map((s) => {
    const known = columns.get(s)
    if (known) return known
    const unit = new Float64Array(load.length)
    const { a, b, by } = samples[s]!
    for (let c = 0; c < 3; c++) {
      unit[6 * a + FIRST + c]! += by[c]!
      unit[6 * b + FIRST + c]! += by[3 + c]!
    }
    model.held.forEach((h, i) => h && (unit[i] = 0))
    const column = solveFactored(pattern, values, unit)
    columns.set(s, column)
    return column
  })
  const rows = changed.map((s, i) => [
    ...z.map(
      (column, j) =>
        deflectionAt(samples[s]!, column) +
        (i === j ? (touching[s] ? 1 : -1) / (samples[s]!.k * (1 - OPEN)) : 0),
    ),
    deflectionAt(samples[s]!, u),
  ])
  solveDense(rows).forEach((y, j) => u.forEach((v, i) => (u[i] = v - y * z[j]![i]!)))
  return u
}

/**
 * Solves a few equations in place (rows with their right-hand side last), by elimination with
 * pivoting.
 */
function solveDense(rows: number[][]): number[] {
  const n = rows.length
  for (let i = 0; i < n; i++) {
    const best = rows
      .slice(i)
      .reduce((p, row, k) => (Math.abs(row[i]!) > Math.abs(rows[p]![i]!) ? i + k : p), i)
    ;[rows[i], rows[best]] = [rows[best]!, rows[i]!]
    for (let r = i + 1; r < n; r++) {
      const f = rows[r]![i]! / rows[i]![i]!
      for (let c = i; c <= n; c++) rows[r]![c]! -= f * rows[i]![c]!
    }
  }
  const out = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i--)
    out[i] =
      (rows[i]![n]! - out.reduce((s, v, c) => (c > i ? s + rows[i]![c]! * v : s), 0)) / rows[i]![i]!
  return out
}

/**
 * Deflection of a shell under its loads: linear elements, and a foundation that may push only
 * (active set: springs that would pull are let go, those that are reached take hold, until none
 * change).
 *
 * @param start what touched a moment ago, with its factor where only the load is another
 * @throws Refusal `shell-loose` where nothing holds the shell
 */
export function solveShell(ready: ReadyShell, start?: ShellStart): ShellAnswer {
  const { model, samples } = ready
  const { held, loadN } = model
  const oneWay = model.foundation?.unilateral ?? false
  const lowest = samples.reduce((low, s) => Math.min(low, s.gapMm), Infinity)
  let touching =
    start?.touching ??
    Uint8Array.from(samples, (s) => (!oneWay || s.gapMm <= lowest + TOUCHES_MM ? 1 : 0))
  let base = start?.factored
  const load = new Float64Array(loadN.length)
  for (let turn = 1; ; turn++) {
    load.set(loadN)
    samples.forEach(({ a, b, by, k, gapMm }, s) => {
      if (!touching[s] || gapMm === 0) return
      for (let c = 0; c < 3; c++) {
        load[6 * a + FIRST + c]! -= k * gapMm * by[c]!
        load[6 * b + FIRST + c]! -= k * gapMm * by[3 + c]!
      }
    })
    held.forEach((h, i) => {
      if (h) load[i] = 0
    })
    const changes = base
      ? touching.reduce((sum, t, s) => sum + (t === base!.touching[s] ? 0 : 1), 0)
      : Infinity
    if (!base || changes > MOST_CHANGES) base = factored(ready, touching)
    const unknowns = solveFrom(base, ready, load, touching)
    const next = oneWay
      ? Uint8Array.from(samples, (s) => (deflectionAt(s, unknowns) + s.gapMm < 0 ? 1 : 0))
      : touching
    const changed = next.reduce((sum, t, s) => sum + (t === touching[s] ? 0 : 1), 0)
    const settled = changed === 0 || (turn > PATIENCE && changed < SETTLED * samples.length)
    if (settled || turn === MOST_TURNS)
      return {
        unknowns,
        ...forcesOf(ready, unknowns, touching),
        iterations: turn,
        settled,
        touching,
        factored: base,
      }
    touching = next
  }
}

function forcesOf(
  { model, pattern, stiffness, samples }: ReadyShell,
  unknowns: Float64Array,
  touching: Uint8Array,
): Pick<ShellAnswer, 'reactionN' | 'foundationN'> {
  const inner = times(pattern, stiffness, unknowns)
  let foundationN = 0
  samples.forEach((sample, s) => {
    const { a, b, by, k, gapMm } = sample
    const open = -k * OPEN * deflectionAt(sample, unknowns)
    const closed = touching[s] ? -k * ((1 - OPEN) * deflectionAt(sample, unknowns) + gapMm) : 0
    foundationN += open + closed
    for (let c = 0; c < 3; c++) {
      inner[6 * a + FIRST + c]! -= closed * by[c]!
      inner[6 * b + FIRST + c]! -= closed * by[3 + c]!
    }
  })
  const reactionN: [number, number, number] = [0, 0, 0]
  model.held.forEach((h, i) => {
    if (h && i % 6 < 3) reactionN[(i % 6) as 0 | 1 | 2] += inner[i]! - model.loadN[i]!
  })
  return { reactionN, foundationN }
}
