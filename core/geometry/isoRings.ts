/**
 * Lines of equal value of a grid, for many values in one pass: marching squares (Lorensen & Cline
 * 1987 in the plane) with linear interpolation, higher ground to the left, so that outer rings and
 * holes turn opposite ways. Whatever lies outside the grid, or is NaN, is lower than any value.
 *
 * Coordinates are those of d3-contour: the value with index (c, r) lies at (c + ½, r + ½). Its
 * rings are the same; every value costs a pass of its own there, here all share one.
 *
 * @param values `columns × rows` numbers, row by row
 * @param thresholds rising
 * @returns for every threshold its closed rings as lists of [x, y], without repeating the first
 *   point
 */
export function isoRings(
  columns: number,
  rows: number,
  values: ArrayLike<number>,
  thresholds: readonly number[],
): [number, number][][][] {
  // One cell of low ground all around closes every ring.
  const width = columns + 2
  const height = rows + 2
  const at = (c: number, r: number): number => {
    if (c < 1 || r < 1 || c > columns || r > rows) return -Infinity
    const v = values[(r - 1) * columns + c - 1]!
    return v === v ? v : -Infinity
  }
  // Edges: 2·i along the row from corner i, 2·i + 1 up from it. A line leaves every edge that it
  // crosses exactly once.
  const next = thresholds.map(() => new Int32Array(2 * width * height).fill(-1))
  const starts = thresholds.map((): number[] => [])
  const low = (v: number) => {
    let [a, b] = [0, thresholds.length]
    while (a < b) {
      const middle = (a + b) >> 1
      if (thresholds[middle]! <= v) a = middle + 1
      else b = middle
    }
    return a
  }
  for (let r = 0; r + 1 < height; r++)
    for (let c = 0; c + 1 < width; c++) {
      const [a, b, d, e] = [at(c, r), at(c + 1, r), at(c + 1, r + 1), at(c, r + 1)]
      const most = Math.max(a, b, d, e)
      if (most === -Infinity) continue
      const least = Math.min(a, b, d, e)
      for (let k = low(least); k < thresholds.length && thresholds[k]! <= most; k++) {
        const t = thresholds[k]!
        const which = (a >= t ? 1 : 0) | (b >= t ? 2 : 0) | (d >= t ? 4 : 0) | (e >= t ? 8 : 0)
        const i = r * width + c
        const edges = [2 * i, 2 * (i + 1) + 1, 2 * (i + width), 2 * i + 1]
        for (const [from, to] of SEGMENTS[which]!) {
          next[k]![edges[from]!] = edges[to]!
          starts[k]!.push(edges[from]!)
        }
      }
    }
  return thresholds.map((t, k) => {
    const follow = next[k]!
    const rings: [number, number][][] = []
    for (const start of starts[k]!) {
      if (follow[start]! < 0) continue
      const ring: [number, number][] = []
      for (let edge = start; follow[edge]! >= 0;) {
        ring.push(crossing(edge, t))
        const to = follow[edge]!
        follow[edge] = -1
        edge = to
      }
      rings.push(ring)
    }
    return rings
  })

  function crossing(edge: number, t: number): [number, number] {
    const i = edge >> 1
    const [c, r] = [i % width, Math.floor(i / width)]
    const up = edge & 1
    const [a, b] = [at(c, r), up ? at(c, r + 1) : at(c + 1, r)]
    const f = a === -Infinity ? 0.5 : b === -Infinity ? 0.5 : (t - a) / (b - a)
    return up ? [c - 0.5, r - 0.5 + f] : [c - 0.5 + f, r - 0.5]
  }
}

/**
 * Which edges of a square (0 below, 1 right, 2 above, 3 left) a line joins, by which corners are
 * high (1 ↙, 2 ↘, 4 ↗, 8 ↖), high ground to its left.
 */
const SEGMENTS: readonly (readonly (readonly [number, number])[])[] = [
  [],
  [[0, 3]],
  [[1, 0]],
  [[1, 3]],
  [[2, 1]],
  [
    [0, 3],
    [2, 1],
  ],
  [[2, 0]],
  [[2, 3]],
  [[3, 2]],
  [[0, 2]],
  [
    [1, 0],
    [3, 2],
  ],
  [[1, 2]],
  [[3, 1]],
  [[0, 1]],
  [[3, 0]],
  [],
]
