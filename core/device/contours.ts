import { isoRings } from '../geometry/isoRings'
import { scratch } from '../geometry/scratch'
import type { ShellBody } from './bodySolid'
import type { SoleField } from '../geometry/soleField'

/** One contour: its height in mm and its rings as lists of x, y pairs in the foot's frame. */
export interface ContourRing {
  heightMm: number
  rings: [number, number][][]
}

/**
 * Rings of equal height of a cell array, in mm of the foot's frame; draw them clipped by the
 * outline. A 1 mm grid is drawn from every second cell: at screen size the rings are the same, at a
 * quarter of the time.
 *
 * @param inside cells that count for the range of heights
 * @param intervalMm distance between rings
 */
export function contourRings(
  field: Pick<SoleField, 'x0' | 'y0' | 'stepMm' | 'columns' | 'rows'>,
  z: Float64Array,
  inside: (i: number) => boolean,
  intervalMm: number,
): ContourRing[] {
  let low = Infinity
  let high = -Infinity
  for (let i = 0; i < z.length; i++)
    if (inside(i)) {
      low = Math.min(low, z[i]!)
      high = Math.max(high, z[i]!)
    }
  if (!(high > low)) return []
  const thresholds: number[] = []
  for (let h = Math.ceil(low / intervalMm) * intervalMm; h < high; h += intervalMm)
    thresholds.push(Number(h.toFixed(6)))
  const skip = field.stepMm < 2 ? 2 : 1
  // Only the rectangle that counts, with a rim of two cells.
  const [c0, c1, r0, r1] = boundsOf(field, inside)
  const columns = Math.floor((c1 - c0) / skip) + 1
  const rows = Math.floor((r1 - r0) / skip) + 1
  const coarse = scratch('contours.coarse', columns * rows)
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++)
      coarse[r * columns + c] = z[(r0 + r * skip) * field.columns + c0 + c * skip]!
  // Cell (c, r) lies at c + ½, r + ½; the cells kept are the first of each block.
  const shift = (skip - 1) / 2
  const toX = (c: number) => field.x0 + (c0 + c * skip - shift) * field.stepMm
  const toY = (r: number) => field.y0 + (r0 + r * skip - shift) * field.stepMm
  return isoRings(columns, rows, coarse, thresholds).map((rings, k) => ({
    heightMm: thresholds[k]!,
    rings: rings.map((ring) => ring.map(([c, r]): [number, number] => [toX(c), toY(r)])),
  }))
}

/** First and last column and row that count, two cells wider where the grid allows. */
function boundsOf(
  { columns, rows }: Pick<SoleField, 'columns' | 'rows'>,
  inside: (i: number) => boolean,
): [number, number, number, number] {
  let [c0, c1, r0, r1] = [columns, 0, rows, 0]
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++)
      if (inside(r * columns + c)) {
        if (c < c0) c0 = c
        if (c > c1) c1 = c
        if (r < r0) r0 = r
        if (r > r1) r1 = r
      }
  return [
    Math.max(0, c0 - 2),
    Math.min(columns - 1, c1 + 2),
    Math.max(0, r0 - 2),
    Math.min(rows - 1, r1 + 2),
  ]
}

/** Contours of the device's top above its floor, the sole in front of the shell included. */
export function deviceContours(body: ShellBody, intervalMm = 2): ContourRing[] {
  const { field, top } = body.surface
  const z = scratch('contours.z', top.length)
  for (let i = 0; i < z.length; i++) z[i] = top[i]! - body.floorMm
  return contourRings(field, z, (i) => field.mask[i] === 1, intervalMm)
}
