import type { SoleField } from '../../geometry/soleField'
import type { Reach } from './definition'
import { everyCell } from './field'

/** An ellipse on the plan, mm. */
export interface Ellipse {
  x: number
  y: number
  across: number
  along: number
  reach: Reach
}

export const ellipse = (x: number, y: number, across: number, along: number): Ellipse => ({
  x,
  y,
  across,
  along,
  reach: { x: [x - across, x + across], y: [y - along, y + along] },
})

/**
 * The ellipse of a pad whose front edge lies so far behind the middle of two met heads (numbered 1
 * to 5).
 */
export function padBehind(
  field: SoleField,
  heads: readonly [number, number],
  behindMm: number,
  axes: { across: number; along: number },
): Ellipse {
  const [a, b] = heads.map((k) => field.sole.heads[k - 1]!)
  return ellipse(
    (a!.x + b!.x) / 2,
    (a!.y + b!.y) / 2 - behindMm - axes.along,
    axes.across,
    axes.along,
  )
}

/** A smooth dome d·(1 − r²)^1.5 over an ellipse: level at its top and at its foot. */
export function dome(field: SoleField, { x, y, across, along }: Ellipse, mm: number): Float64Array {
  return everyCell(
    field,
    (_, cellY) => Math.max(0, 1 - ((cellY - y) / along) ** 2),
    (i, row) => {
      const rest = row - ((field.x[i]! - x) / across) ** 2
      return rest > 0 ? mm * rest * Math.sqrt(rest) : 0
    },
  )
}
