/**
 * A height grid over the plan of one foot. The centre of cell (column, row) is at
 * x = x0 + (column + ½)·stepMm, y = y0 + (row + ½)·stepMm; `z[row * columns + column]` is its
 * height in mm.
 */
export interface Grid {
  x0: number
  y0: number
  stepMm: number
  columns: number
  rows: number
  z: Float64Array
}

/** x of the centre of a column, mm. */
export const columnX = (grid: Grid, column: number): number =>
  grid.x0 + (column + 0.5) * grid.stepMm

/** y of the centre of a row, mm. */
export const rowY = (grid: Grid, row: number): number => grid.y0 + (row + 0.5) * grid.stepMm

/**
 * Height at any point by bilinear interpolation between cell centres, clamped to the grid's edge;
 * NaN where a needed cell is NaN.
 */
export function sampleGrid(grid: Grid, xMm: number, yMm: number): number {
  const fx = Math.min(grid.columns - 1, Math.max(0, (xMm - grid.x0) / grid.stepMm - 0.5))
  const fy = Math.min(grid.rows - 1, Math.max(0, (yMm - grid.y0) / grid.stepMm - 0.5))
  const i = Math.min(grid.columns - 2, Math.floor(fx))
  const j = Math.min(grid.rows - 2, Math.floor(fy))
  const u = fx - i
  const v = fy - j
  const at = j * grid.columns + i
  const low = grid.z[at]! * (1 - u) + grid.z[at + 1]! * u
  const high = grid.z[at + grid.columns]! * (1 - u) + grid.z[at + grid.columns + 1]! * u
  return low * (1 - v) + high * v
}

/**
 * The largest absolute height inside a mask, with its place; null when the mask is empty or all is
 * 0.
 */
export function peakOf(
  grid: Grid,
  mask: Uint8Array,
): { valueMm: number; xMm: number; yMm: number } | null {
  let best = -1
  for (let i = 0; i < grid.z.length; i++)
    if (mask[i] && (best < 0 || Math.abs(grid.z[i]!) > Math.abs(grid.z[best]!))) best = i
  if (best < 0 || grid.z[best] === 0) return null
  return {
    valueMm: grid.z[best]!,
    xMm: columnX(grid, best % grid.columns),
    yMm: rowY(grid, Math.floor(best / grid.columns)),
  }
}

/** First and last cell of every row that holds a height; NaN for rows without one. */
export function rowEnds({ z, columns, rows }: Grid): { from: Float64Array; to: Float64Array } {
  const from = new Float64Array(rows).fill(NaN)
  const to = new Float64Array(rows).fill(NaN)
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++)
      if (!Number.isNaN(z[r * columns + c]!)) {
        if (Number.isNaN(from[r]!)) from[r] = c
        to[r] = c
      }
  return { from, to }
}

/** Mean of a line over so many values to either side, gaps (NaN) left out. */
export function movingMean(line: Float64Array, reach: number): Float64Array {
  return line.map((_, i) => {
    let [sum, n] = [0, 0]
    for (let k = Math.max(0, i - reach); k <= Math.min(line.length - 1, i + reach); k++)
      if (!Number.isNaN(line[k]!)) {
        sum += line[k]!
        n++
      }
    return n ? sum / n : NaN
  })
}
