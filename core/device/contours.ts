import { contours } from 'd3-contour'
import type { ShellBody } from './shell'
import type { SoleField } from './soleField'

/** One contour: its height in mm and its rings as lists of x, y pairs in the foot's frame. */
export interface ContourRing {
  heightMm: number
  rings: [number, number][][]
}

/**
 * Rings of equal height of a cell array, in mm of the foot's frame; draw them clipped by the outline. A 1 mm grid is drawn from every
 * second cell: at screen size the rings are the same, at a quarter of the time.
 *
 * @param inside cells that count for the range of heights
 * @param intervalMm distance between rings
 */
export function contourRings(field: Pick<SoleField, 'x0' | 'y0' | 'stepMm' | 'columns' | 'rows'>, z: Float64Array, inside: (i: number) => boolean, intervalMm: number): ContourRing[] {
  let low = Infinity
  let high = -Infinity
  for (let i = 0; i < z.length; i++)
    if (inside(i)) {
      low = Math.min(low, z[i]!)
      high = Math.max(high, z[i]!)
    }
  if (!(high > low)) return []
  const thresholds: number[] = []
  for (let h = Math.ceil(low / intervalMm) * intervalMm; h < high; h += intervalMm) thresholds.push(Number(h.toFixed(6)))
  const skip = field.stepMm < 2 ? 2 : 1
  const columns = Math.floor(field.columns / skip)
  const rows = Math.floor(field.rows / skip)
  const coarse = new Float64Array(columns * rows)
  for (let r = 0; r < rows; r++) for (let c = 0; c < columns; c++) coarse[r * columns + c] = z[r * skip * field.columns + c * skip]!
  // d3 puts cell (c, r) at c + ½, r + ½; the cells kept are the first of each block.
  const shift = (skip - 1) / 2
  const toX = (c: number) => field.x0 + (c * skip - shift) * field.stepMm
  const toY = (r: number) => field.y0 + (r * skip - shift) * field.stepMm
  const shapes = contours().size([columns, rows]).thresholds(thresholds)(coarse as unknown as number[])
  return shapes.map((shape) => ({ heightMm: shape.value, rings: shape.coordinates.flat().map((ring) => ring.map(([c, r]): [number, number] => [toX(c!), toY(r!)])) }))
}

/** Contours of the device's top above its floor, the sole in front of the shell included. */
export function deviceContours(body: ShellBody, intervalMm = 2): ContourRing[] {
  const { field, top } = body.surface
  const z = Float64Array.from(top)
  for (let i = 0; i < z.length; i++) z[i]! -= body.floorMm
  return contourRings(field, z, (i) => field.mask[i] === 1, intervalMm)
}
