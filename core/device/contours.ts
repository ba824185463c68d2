import { contours } from 'd3-contour'
import type { ShellBody } from './shell'
import type { SoleField } from './soleField'

/** One contour: its height in mm and its rings as lists of x, y pairs in the foot's frame. */
export interface ContourRing {
  heightMm: number
  rings: [number, number][][]
}

/**
 * Rings of equal height of a cell array, in mm of the foot's frame. Cells where `inside` is not positive count as far below, so that
 * rings close along the plan; draw them clipped by the outline.
 *
 * @param intervalMm distance between rings
 */
export function contourRings(field: SoleField, z: Float64Array, inside: (i: number) => boolean, intervalMm: number): ContourRing[] {
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
  const rings = contours().size([field.columns, field.rows]).thresholds(thresholds)(z as unknown as number[])
  return rings.map((shape) => ({
    heightMm: shape.value,
    rings: shape.coordinates.flat().map((ring) => ring.map(([c, r]): [number, number] => [field.x0 + c! * field.stepMm, field.y0 + r! * field.stepMm])),
  }))
}

/** Contours of the device's top above its floor, the sole in front of the shell included. */
export function deviceContours(body: ShellBody, intervalMm = 2): ContourRing[] {
  const { field, top } = body.surface
  const z = Float64Array.from(top)
  for (let i = 0; i < z.length; i++) z[i]! -= body.floorMm
  return contourRings(field, z, (i) => field.mask[i] === 1, intervalMm)
}
