import type { SoleField, SoleParameters, SolePlan } from '../geometry/soleField'
import { createSole } from './sole'

/** How far beyond the border a row still takes part: rims and flares, mm. */
const NEAR_MM = 18

/** Room around the foot's plan in the working grid, for walls and flares, mm. */
export const MARGIN_X_MM = 12
export const MARGIN_Y_MM = 16

/**
 * Samples a sole on a grid of the given step. The cast rotation of the parameters is left to the
 * device's tilts.
 *
 * @param stepMm 1 for making, 2 for estimates
 * @param plan borders, heads and toes of a captured foot
 */
export function sampleSole(parameters: SoleParameters, stepMm = 1, plan?: SolePlan): SoleField {
  const sole = createSole({ ...parameters, castDeg: 0 }, plan)
  const half = Math.max(
    60,
    Math.ceil((0.52 * parameters.forefootWidthMm) / 2) * 2,
    Math.ceil(0.26 * parameters.heelWidthMm) * 2,
  )
  const x0 = -(half + MARGIN_X_MM)
  const y0 = -MARGIN_Y_MM
  const columns = Math.round((2 * (half + MARGIN_X_MM)) / stepMm)
  const rows = Math.ceil((parameters.lengthMm + 2 * MARGIN_Y_MM) / stepMm)
  const size = columns * rows
  const make = () => new Float64Array(size)
  const field: SoleField = {
    sole,
    x0,
    y0,
    stepMm,
    columns,
    rows,
    mask: new Uint8Array(size),
    x: make(),
    y: make(),
    s: make(),
    u: make(),
    q: make(),
    rho: make(),
    reach: make(),
    z: make(),
    from: new Uint16Array(rows),
    to: new Uint16Array(rows),
  }
  for (let row = 0, i = 0; row < rows; row++) {
    const y = y0 + (row + 0.5) * stepMm
    const back = y < sole.heelCentreY ? (sole.heelCentreY - y) / sole.heelCentreY : 0
    for (let column = 0; column < columns; column++, i++) {
      const x = x0 + (column + 0.5) * stepMm
      const place = sole.place(x, y)
      const slope = Math.hypot((x - place.middleX) / place.halfWidth ** 2, back / sole.heelCentreY)
      field.x[i] = x
      field.y[i] = y
      field.s[i] = place.s
      field.u[i] = place.u
      field.q[i] = place.q
      field.rho[i] = place.rho
      field.reach[i] =
        slope > 0 ? Math.min(place.halfWidth * 2, place.rho / slope) : place.halfWidth
      field.z[i] = sole.height(x, y)
      field.mask[i] = sole.contains(x, y) ? 1 : 0
    }
    const yBorder = Math.max(y, 0)
    const column = (x: number) => Math.min(columns, Math.max(0, Math.round((x - x0) / stepMm)))
    // Behind the heel's rearmost rows the plan narrows to a point: the widest row nearby counts.
    const wide = Math.min(sole.heelCentreY, yBorder + NEAR_MM)
    field.from[row] = column(
      Math.min(sole.lateral(yBorder), sole.lateral(Math.max(wide, yBorder))) - NEAR_MM,
    )
    field.to[row] = column(
      Math.max(sole.medial(yBorder), sole.medial(Math.max(wide, yBorder))) + NEAR_MM,
    )
  }
  return field
}
