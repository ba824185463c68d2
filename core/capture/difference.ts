import { columnX, rowY, sampleGrid, type Grid } from '../geometry/grid'

/** How two captured soles differ. */
export interface SoleDifference {
  /** first minus second, mm; NaN where one of them is missing */
  grid: Grid
  /** away from the steep border */
  largest: { mm: number; xMm: number; yMm: number } | null
  /** root of the mean square, mm */
  rmsMm: number
  /** share of the first that both hold, % */
  sharedPercent: number
}

/**
 * Nearer to the border than this the sole is a steep wall, where a millimetre sideways looks like
 * several in height.
 */
const BORDER_MM = 6

/**
 * First sole minus second, both in their own foot's frame (x medial), so that a left and a right
 * foot are compared as mirror images. The soles are laid heel to heel; a difference in length is
 * stretched out.
 */
export function soleDifference(
  first: Grid & { lengthMm: number },
  second: Grid & { lengthMm: number },
): SoleDifference {
  const z = new Float64Array(first.z.length).fill(NaN)
  const stretch = second.lengthMm / first.lengthMm
  let [sum, n, own] = [0, 0, 0]
  let largest: SoleDifference['largest'] = null
  for (let r = 0; r < first.rows; r++)
    for (let c = 0; c < first.columns; c++) {
      const i = r * first.columns + c
      const here = first.z[i]!
      if (Number.isNaN(here)) continue
      own++
      const [x2, y2] = [columnX(first, c), rowY(first, r) * stretch]
      if (
        x2 < second.x0 ||
        y2 < second.y0 ||
        x2 > second.x0 + second.columns * second.stepMm ||
        y2 > second.y0 + second.rows * second.stepMm
      )
        continue
      const there = sampleGrid(second, x2, y2)
      if (Number.isNaN(there)) continue
      const d = here - there
      z[i] = d
      sum += d * d
      n++
    }
  const near = Math.round(BORDER_MM / first.stepMm)
  const at = (c: number, r: number) =>
    c < 0 || c >= first.columns ? NaN : (z[r * first.columns + c] ?? NaN)
  for (let r = 0; r < first.rows; r++)
    for (let c = 0; c < first.columns; c++) {
      const mm = at(c, r)
      if (Number.isNaN(mm) || (largest && Math.abs(mm) <= Math.abs(largest.mm))) continue
      if ([at(c + near, r), at(c - near, r), at(c, r + near), at(c, r - near)].some(Number.isNaN))
        continue
      largest = { mm, xMm: columnX(first, c), yMm: rowY(first, r) }
    }
  return {
    grid: { ...first, z },
    largest,
    rmsMm: n ? Math.sqrt(sum / n) : 0,
    sharedPercent: own ? (100 * n) / own : 0,
  }
}
