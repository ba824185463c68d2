import { scratch } from '../geometry/scratch'
import type { SoleField } from '../geometry/soleField'

/**
 * Cells beyond the cut that are computed all the same, so that the cut can be interpolated, in
 * cells.
 */
const BEYOND_CELLS = 1.5

/**
 * Underside of a sheet: at every cell the lowest point of balls of the sheet's thickness hung under
 * all points of its top inside the cut (grey-scale erosion by a ball, Serra 1982). It lies exactly
 * one thickness away along the normal and cannot cross itself. Balls are hung under the cells
 * first, then, in closed form, along the eight lines from the lowest cell to its neighbours: on a
 * wall that climbs several millimetres a cell the cells alone would lie too far apart.
 *
 * @param top height per cell, mm
 * @param inside distance inside the cut (+), mm
 * @param thickness one thickness, or one per cell, mm
 * @param before an earlier answer on the same grid: rows that nothing near them has changed are
 *   taken over from it
 * For instance lowerOffset of a plane at slope m lies t·√(1 + m²) below it
 */
export function lowerOffset(
  field: Pick<SoleField, 'columns' | 'rows' | 'stepMm'>,
  top: Float64Array,
  inside: Float64Array,
  thickness: number | Float64Array,
  before?: Offset,
): Float64Array {
  const { columns, rows, stepMm } = field
  const graded = typeof thickness !== 'number'
  const thickest = graded ? thickness.reduce((most, t) => Math.max(most, t), 0) : thickness
  const reach = Math.ceil(thickest / stepMm)
  // The cells under one ball, as flat arrays: this loop runs a million times for one change of a
  // layer.
  const dxs: number[] = []
  const dys: number[] = []
  for (let dy = -reach; dy <= reach; dy++)
    for (let dx = -reach; dx <= reach; dx++)
      if ((dx * dx + dy * dy) * stepMm * stepMm < thickest * thickest) {
        dxs.push(dx)
        dys.push(dy)
      }
  const count = dxs.length
  const steps = Int32Array.from(dxs, (dx, k) => dys[k]! * columns + dx)
  const d2 = Float64Array.from(dxs, (dx, k) => (dx * dx + dys[k]! ** 2) * stepMm * stepMm)
  const drops = d2.map((d) => Math.sqrt(thickest * thickest - d))
  // Cells that carry no ball stand too high to matter.
  const carried = scratch('erode.carried', top.length)
  for (let i = 0; i < carried.length; i++) carried[i] = inside[i]! > 0 ? top[i]! : Infinity
  const lines = new Lines(field, top, inside)
  const out = new Float64Array(top.length)
  const [from, to] =
    before && before.bottom.length === out.length && sameThickness(before.thickness, thickness)
      ? changedRows(before, top, inside, columns)
      : [0, rows - 1]
  if (before && (from > reach || to < rows - 1 - reach)) out.set(before.bottom)
  for (let row = Math.max(0, from - reach); row <= Math.min(rows - 1, to + reach); row++)
    for (let column = 0; column < columns; column++) {
      const i = row * columns + column
      let low = top[i]! - (graded ? thickness[i]! : thickness)
      if (inside[i]! > -BEYOND_CELLS * stepMm) {
        let best = inside[i]! > 0 ? i : -1
        const safe =
          row >= reach && row < rows - reach && column >= reach && column < columns - reach
        for (let k = 0; k < count; k++) {
          if (
            !safe &&
            (column + dxs[k]! < 0 ||
              column + dxs[k]! >= columns ||
              row + dys[k]! < 0 ||
              row + dys[k]! >= rows)
          )
            continue
          const j = i + steps[k]!
          let z = carried[j]! - drops[k]!
          if (graded) {
            const rest = thickness[j]! ** 2 - d2[k]!
            if (rest <= 0) continue
            z = carried[j]! - Math.sqrt(rest)
          }
          if (z < low) {
            low = z
            best = j
          }
        }
        if (best >= 0 && isSloping(top, best, columns)) {
          const t = graded ? thickness[best]! : thickness
          const z = lines.lowest(best, row, column, t * t)
          if (z < low) low = z
        }
      }
      out[i] = low
    }
  return out
}

/** An answer and what it was computed from. */
export interface Offset {
  top: Float64Array
  inside: Float64Array
  thickness: number | Float64Array
  bottom: Float64Array
}

const sameThickness = (a: Offset['thickness'], b: Offset['thickness']) =>
  typeof a === 'number' || typeof b === 'number' ? a === b : a.every((v, i) => v === b[i])

/** First and last row in which two tops or their cuts differ; [0, −1] where none does. */
function changedRows(
  before: Offset,
  top: Float64Array,
  inside: Float64Array,
  columns: number,
): [number, number] {
  const differs = (i: number) => before.top[i] !== top[i] || before.inside[i] !== inside[i]
  let first = 0
  while (first < top.length && !differs(first)) first++
  if (first === top.length) return [top.length / columns + 99, -99]
  let last = top.length - 1
  while (!differs(last)) last--
  return [Math.floor(first / columns), Math.floor(last / columns)]
}

/**
 * Steps between neighbours below this need no lines: cells alone are right within a twentieth of a
 * millimetre.
 */
const SLOPING_MM = 0.1
const isSloping = (top: Float64Array, i: number, columns: number): boolean =>
  Math.abs(top[i + 1]! - top[i]!) > SLOPING_MM ||
  Math.abs(top[i]! - top[i - 1]!) > SLOPING_MM ||
  Math.abs(top[i + columns]! - top[i]!) > SLOPING_MM ||
  Math.abs(top[i]! - top[i - columns]!) > SLOPING_MM

const EAST = [1, -1, 0, 0, 1, -1, 1, -1]
const NORTH = [0, 0, 1, -1, 1, -1, -1, 1]

/** The eight lines that leave a cell for its neighbours, with balls hung all along them. */
class Lines {
  private readonly steps: Int32Array
  private readonly lengths: Float64Array
  constructor(
    private readonly field: Pick<SoleField, 'columns' | 'rows' | 'stepMm'>,
    private readonly top: Float64Array,
    private readonly inside: Float64Array,
  ) {
    this.steps = Int32Array.from(EAST, (e, k) => NORTH[k]! * field.columns + e)
    this.lengths = Float64Array.from(EAST, (e, k) => Math.hypot(e, NORTH[k]!) * field.stepMm)
  }
  /**
   * Lowest point of the balls along the lines from a cell, seen at (row, column); `t2` is the
   * square of their radius.
   */
  lowest(from: number, row: number, column: number, t2: number): number {
    const { columns, stepMm, rows } = this.field
    const r0 = Math.floor(from / columns)
    const c0 = from - r0 * columns
    if (r0 < 1 || c0 < 1 || r0 >= rows - 1 || c0 >= columns - 1) return Infinity
    const dx = (column - c0) * stepMm
    const dy = (row - r0) * stepMm
    const away2 = dx * dx + dy * dy
    const z0 = this.top[from]!
    let low = Infinity
    for (let k = 0; k < 8; k++) {
      const to = from + this.steps[k]!
      if (this.inside[to]! <= 0) continue
      const length = this.lengths[k]!
      const a = ((dx * EAST[k]! + dy * NORTH[k]!) * stepMm) / length
      const reach2 = t2 - away2 + a * a
      if (reach2 <= 0) continue
      const slope = (this.top[to]! - z0) / length
      const best = a - slope * Math.sqrt(reach2 / (1 + slope * slope))
      // Behind the cell itself another of the lines is nearer.
      if (best <= 0) continue
      const along = best < length ? best : length
      const rest = reach2 - (along - a) * (along - a)
      if (rest <= 0) continue
      const z = z0 + slope * along - Math.sqrt(rest)
      if (z < low) low = z
    }
    return low
  }
}
