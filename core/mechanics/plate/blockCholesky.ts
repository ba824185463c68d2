import { Refusal } from '../../record/refusal'
import { minimumDegree } from './minimumDegree'

export const BLOCK = 6
const SIZE = BLOCK * BLOCK

/** Where the blocks of a factor lie: kept as long as the mesh is the same. */
export interface BlockPattern {
  nodes: number
  /** node eliminated at each step, and the step of every node */
  order: Int32Array
  step: Int32Array
  /** first block of each column; the first is its diagonal */
  start: Int32Array
  /** row (elimination step) of every block */
  row: Int32Array
}

/**
 * Order and symbolic elimination of a node graph.
 *
 * @param pairs nodes that share an element, two by two
 */
export function blockPattern(nodes: number, pairs: ArrayLike<number>): BlockPattern {
  const sets = Array.from({ length: nodes }, () => new Set<number>())
  for (let k = 0; k < pairs.length; k += 2)
    if (pairs[k] !== pairs[k + 1]) {
      sets[pairs[k]!]!.add(pairs[k + 1]!)
      sets[pairs[k + 1]!]!.add(pairs[k]!)
    }
  const order = minimumDegree(sets.map((s) => [...s]))
  const step = new Int32Array(nodes)
  order.forEach((node, k) => (step[node] = k))
  // A column's rows: its own, and those of the columns that it is the parent of.
  const rows: number[][] = []
  const children: number[][] = Array.from({ length: nodes }, () => [])
  const mark = new Int32Array(nodes).fill(-1)
  for (let k = 0; k < nodes; k++) {
    const list: number[] = []
    mark[k] = k
    const take = (r: number) => {
      if (r <= k || mark[r] === k) return
      mark[r] = k
      list.push(r)
    }
    sets[order[k]!]!.forEach((j) => take(step[j]!))
    for (const c of children[k]!) rows[c]!.forEach(take)
    list.sort((a, b) => a - b)
    rows.push(list)
    if (list.length) children[list[0]!]!.push(k)
  }
  const start = new Int32Array(nodes + 1)
  rows.forEach((list, k) => (start[k + 1] = start[k]! + list.length + 1))
  const row = new Int32Array(start[nodes]!)
  rows.forEach((list, k) => row.set([k, ...list], start[k]!))
  return { nodes, order, step, start, row }
}

/**
 * Block that holds node a by node b, and whether it must be written turned; both must share an
 * element.
 */
export function blockOf(
  { step, start, row }: BlockPattern,
  a: number,
  b: number,
): { at: number; turned: boolean } {
  const [i, j] = [step[a]!, step[b]!]
  const [column, wanted] = i >= j ? [j, i] : [i, j]
  let low = start[column]!
  let high = start[column + 1]! - 1
  while (low < high) {
    const mid = (low + high) >> 1
    if (row[mid]! < wanted) low = mid + 1
    else high = mid
  }
  return { at: low, turned: i < j }
}

const UNKNOWNS = ['ux', 'uy', 'uz', 'rx', 'ry', 'rz'] as const

/**
 * Factor of one 6 × 6 on the diagonal in place, lower half; returns the unknown that has no
 * stiffness left, or −1.
 */
function factorDiagonal(v: Float64Array, at: number, least: Float64Array, node: number): number {
  for (let c = 0; c < BLOCK; c++) {
    let d = v[at + 7 * c]!
    for (let k = 0; k < c; k++) d -= v[at + BLOCK * c + k]! ** 2
    if (!(d > least[BLOCK * node + c]!)) return c
    const root = Math.sqrt(d)
    v[at + 7 * c] = root
    for (let r = c + 1; r < BLOCK; r++) {
      let s = v[at + BLOCK * r + c]!
      for (let k = 0; k < c; k++) s -= v[at + BLOCK * r + k]! * v[at + BLOCK * c + k]!
      v[at + BLOCK * r + c] = s / root
    }
  }
  return -1
}

/**
 * Takes one column's products off another: target −= A·Bᵀ for every block A of it from B on. Two
 * rows of B at a time stay in registers.
 */
function subtract(
  v: Float64Array,
  row: Int32Array,
  place: Int32Array,
  from: number,
  to: number,
): void {
  for (let c = 0; c < BLOCK; c += 2) {
    const q = SIZE * from + BLOCK * c
    const b0 = v[q]!
    const b1 = v[q + 1]!
    const b2 = v[q + 2]!
    const b3 = v[q + 3]!
    const b4 = v[q + 4]!
    const b5 = v[q + 5]!
    const d0 = v[q + 6]!
    const d1 = v[q + 7]!
    const d2 = v[q + 8]!
    const d3 = v[q + 9]!
    const d4 = v[q + 10]!
    const d5 = v[q + 11]!
    for (let block = from; block < to; block++) {
      let p = SIZE * block
      let t = place[row[block]!]! + c
      for (const end = p + SIZE; p < end; p += BLOCK, t += BLOCK) {
        const a0 = v[p]!
        const a1 = v[p + 1]!
        const a2 = v[p + 2]!
        const a3 = v[p + 3]!
        const a4 = v[p + 4]!
        const a5 = v[p + 5]!
        v[t] = v[t]! - (a0 * b0 + a1 * b1 + a2 * b2 + a3 * b3 + a4 * b4 + a5 * b5)
        v[t + 1] = v[t + 1]! - (a0 * d0 + a1 * d1 + a2 * d2 + a3 * d3 + a4 * d4 + a5 * d5)
      }
    }
  }
}

/** Share of a diagonal entry under which a pivot counts as nothing: what rounding leaves of it. */
const NOTHING = 1e-12

/**
 * Cholesky factor of a symmetric block matrix in place (left-looking, by columns of 6 × 6 blocks).
 *
 * @param values blocks in the pattern's order, row by row, the lower half; becomes the factor
 * @throws Refusal `shell-loose` naming node and unknown where a pivot is not positive: the shell is
 *   not held there
 */
export function factor(pattern: BlockPattern, values: Float64Array): void {
  const { nodes, start, row, order } = pattern
  const least = new Float64Array(BLOCK * nodes)
  for (let k = 0; k < nodes; k++)
    for (let c = 0; c < BLOCK; c++)
      least[BLOCK * k + c] = NOTHING * Math.abs(values[SIZE * start[k]! + 7 * c]!)
  const place = new Int32Array(nodes)
  /** columns whose next row is this one, linked; and how far each has come */
  const first = new Int32Array(nodes).fill(-1)
  const next = new Int32Array(nodes).fill(-1)
  const come = new Int32Array(nodes)
  for (let j = 0; j < nodes; j++) {
    const [from, to] = [start[j]!, start[j + 1]!]
    for (let p = from; p < to; p++) place[row[p]!] = SIZE * p
    for (let k = first[j]!; k >= 0;) {
      const after = next[k]!
      const at = come[k]!
      const end = start[k + 1]!
      subtract(values, row, place, at, end)
      if (at + 1 < end) {
        come[k] = at + 1
        next[k] = first[row[at + 1]!]!
        first[row[at + 1]!] = k
      }
      k = after
    }
    const diagonal = SIZE * from
    const loose = factorDiagonal(values, diagonal, least, j)
    if (loose >= 0)
      throw new Refusal(
        'shell-loose',
        `The shell is not held: node ${order[j]} is loose in ${UNKNOWNS[loose]}. Fix it or give it a foundation.`,
        `verticesMm.${order[j]}`,
      )
    // Rows below: X·Lᵀ = what is there.
    for (let p = from + 1; p < to; p++) {
      const at = SIZE * p
      for (let r = 0; r < BLOCK; r++)
        for (let c = 0; c < BLOCK; c++) {
          let s = values[at + BLOCK * r + c]!
          for (let k = 0; k < c; k++)
            s -= values[at + BLOCK * r + k]! * values[diagonal + BLOCK * c + k]!
          values[at + BLOCK * r + c] = s / values[diagonal + 7 * c]!
        }
    }
    if (from + 1 < to) {
      come[j] = from + 1
      next[j] = first[row[from + 1]!]!
      first[row[from + 1]!] = j
    }
  }
}

/** Solves with a factor, in the nodes' own numbering: 6 unknowns a node. */
export function solveFactored(
  { nodes, start, row, order }: BlockPattern,
  values: Float64Array,
  load: Float64Array,
): Float64Array {
  const w = new Float64Array(BLOCK * nodes)
  for (let k = 0; k < nodes; k++)
    for (let c = 0; c < BLOCK; c++) w[BLOCK * k + c] = load[BLOCK * order[k]! + c]!
  for (let j = 0; j < nodes; j++) {
    const d = SIZE * start[j]!
    for (let c = 0; c < BLOCK; c++) {
      let s = w[BLOCK * j + c]!
      for (let k = 0; k < c; k++) s -= values[d + BLOCK * c + k]! * w[BLOCK * j + k]!
      w[BLOCK * j + c] = s / values[d + 7 * c]!
    }
    for (let p = start[j]! + 1; p < start[j + 1]!; p++)
      for (let r = 0; r < BLOCK; r++) {
        let s = 0
        for (let c = 0; c < BLOCK; c++) s += values[SIZE * p + BLOCK * r + c]! * w[BLOCK * j + c]!
        w[BLOCK * row[p]! + r]! -= s
      }
  }
  for (let j = nodes - 1; j >= 0; j--) {
    for (let p = start[j]! + 1; p < start[j + 1]!; p++)
      for (let c = 0; c < BLOCK; c++) {
        let s = 0
        for (let r = 0; r < BLOCK; r++)
          s += values[SIZE * p + BLOCK * r + c]! * w[BLOCK * row[p]! + r]!
        w[BLOCK * j + c]! -= s
      }
    const d = SIZE * start[j]!
    for (let c = BLOCK - 1; c >= 0; c--) {
      let s = w[BLOCK * j + c]!
      for (let k = c + 1; k < BLOCK; k++) s -= values[d + BLOCK * k + c]! * w[BLOCK * j + k]!
      w[BLOCK * j + c] = s / values[d + 7 * c]!
    }
  }
  const out = new Float64Array(BLOCK * nodes)
  for (let k = 0; k < nodes; k++)
    for (let c = 0; c < BLOCK; c++) out[BLOCK * order[k]! + c] = w[BLOCK * k + c]!
  return out
}
