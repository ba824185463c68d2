import { movingMean, rowEnds } from '../../geometry/grid'
import type { SoleGrid } from './soleGrid'

/** The plan of a foot row by row: medial and lateral border, mm; NaN where a row holds nothing. */
export interface OutlineRows {
  medial: Float64Array
  lateral: Float64Array
}

/**
 * Borders of a sole grid, smoothed along the foot over about 5 mm so that single cells do not
 * matter.
 */
export function outlineRows(grid: SoleGrid): OutlineRows {
  const { from, to } = rowEnds(grid)
  const border = (cells: Float64Array, shift: 0 | 1) => {
    const smooth = movingMean(cells, Math.max(1, Math.round(2 / grid.stepMm)))
    return cells.map((v, r) =>
      Number.isNaN(v) ? NaN : grid.x0 + (smooth[r]! + shift) * grid.stepMm,
    )
  }
  return { medial: border(to, 1), lateral: border(from, 0) }
}

/** Mean of both borders over a range of y, mm; null when no row is seen. */
export function bordersBetween(
  grid: SoleGrid,
  rows: OutlineRows,
  fromMm: number,
  toMm: number,
): { medial: number; lateral: number } | null {
  let [m, l, n] = [0, 0, 0]
  for (let r = 0; r < grid.rows; r++) {
    const y = grid.y0 + (r + 0.5) * grid.stepMm
    if (y < fromMm || y > toMm || Number.isNaN(rows.medial[r]!)) continue
    m += rows.medial[r]!
    l += rows.lateral[r]!
    n++
  }
  return n > 0 ? { medial: m / n, lateral: l / n } : null
}
