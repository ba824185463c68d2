import type { SoleField } from './soleField'

/** Cells beyond the cut that are computed all the same, so that the cut can be interpolated, in cells. */
const BEYOND_CELLS = 1.5

/** The eight neighbours of a cell, in cells. */
const NEIGHBOURS = [[1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [-1, -1], [1, -1], [-1, 1]] as const

/**
 * Underside of a sheet: at every cell the lowest point of balls of the sheet's thickness hung under all points of its top inside the cut
 * (grey-scale erosion by a ball, Serra 1982). It lies exactly one thickness away along the normal and cannot cross itself. Balls are hung
 * under the cells first, then, in closed form, along the eight lines from the lowest cell to its neighbours: on a wall that climbs several
 * millimetres a cell the cells alone would lie too far apart.
 *
 * @param top height per cell, mm
 * @param inside distance inside the cut (+), mm
 * @param thickness one thickness, or one per cell, mm
 * @example lowerOffset of a plane at slope m lies t·√(1 + m²) below it
 */
export function lowerOffset(field: Pick<SoleField, 'columns' | 'rows' | 'stepMm'>, top: Float64Array, inside: Float64Array, thickness: number | Float64Array): Float64Array {
  const { columns, rows, stepMm } = field
  const graded = typeof thickness !== 'number'
  const at = (i: number) => (graded ? thickness[i]! : thickness)
  const thickest = graded ? thickness.reduce((most, t) => Math.max(most, t), 0) : thickness
  const radius = Math.ceil(thickest / stepMm)
  const near: { dx: number; dy: number; step: number; d2: number; drop: number }[] = []
  for (let dy = -radius; dy <= radius; dy++)
    for (let dx = -radius; dx <= radius; dx++) {
      const d2 = (dx * dx + dy * dy) * stepMm * stepMm
      if (d2 < thickest * thickest) near.push({ dx, dy, step: dy * columns + dx, d2, drop: Math.sqrt(thickest * thickest - d2) })
    }
  const out = new Float64Array(top.length)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const i = row * columns + column
      const own = at(i)
      let low = top[i]! - own
      if (inside[i]! > -BEYOND_CELLS * stepMm) {
        let best = inside[i]! > 0 ? i : -1
        const safe = row > radius && row < rows - radius - 1 && column > radius && column < columns - radius - 1
        for (const n of near) {
          if (!safe && (column + n.dx < 0 || column + n.dx >= columns || row + n.dy < 0 || row + n.dy >= rows)) continue
          const j = i + n.step
          if (inside[j]! <= 0) continue
          let drop = n.drop
          if (graded) {
            const t = at(j)
            if (t * t <= n.d2) continue
            drop = Math.sqrt(t * t - n.d2)
          }
          const z = top[j]! - drop
          if (z < low) {
            low = z
            best = j
          }
        }
        if (best >= 0) low = Math.min(low, alongLines(best, row, column))
      }
      out[i] = low
    }
  return out

  /** Lowest point of balls hung along the lines from a cell to its neighbours, seen at (row, column). */
  function alongLines(from: number, row: number, column: number): number {
    const r0 = Math.floor(from / columns)
    const c0 = from % columns
    const dx = (column - c0) * stepMm
    const dy = (row - r0) * stepMm
    const t2 = at(from) ** 2
    let low = Infinity
    for (const [ex, ey] of NEIGHBOURS) {
      const [c, r] = [c0 + ex, r0 + ey]
      if (c < 0 || r < 0 || c >= columns || r >= rows) continue
      const to = r * columns + c
      if (inside[to]! <= 0) continue
      const length = (ex !== 0 && ey !== 0 ? Math.SQRT2 : 1) * stepMm
      const a = ((dx * ex + dy * ey) * stepMm) / length
      const reach2 = t2 - (dx * dx + dy * dy - a * a)
      if (reach2 <= 0) continue
      const slope = (top[to]! - top[from]!) / length
      const along = Math.min(length, Math.max(0, a - slope * Math.sqrt(reach2 / (1 + slope * slope))))
      const rest = reach2 - (along - a) ** 2
      if (rest <= 0) continue
      const z = top[from]! + slope * along - Math.sqrt(rest)
      if (z < low) low = z
    }
    return low
  }
}
