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

/** The foot that the house sizes of pads are made for, mm: other feet have theirs in proportion. */
const USUAL_FOOT = { forefootWidthMm: 100, lengthMm: 265 } as const

/** Where a pad lies and how big it is. */
export interface PadPlace {
  behindHeadsMm: number
  sizePercent: number
  medialMm: number
}

/**
 * The ellipse of a pad whose front edge lies so far behind the middle of two met heads (numbered 1
 * to 5).
 */
export function padBehind(
  field: SoleField,
  heads: readonly [number, number],
  { behindHeadsMm, sizePercent, medialMm }: PadPlace,
  usual: { across: number; along: number },
): Ellipse {
  const { forefootWidthMm, lengthMm } = field.sole.parameters
  const axes = {
    across: (usual.across * sizePercent * forefootWidthMm) / (100 * USUAL_FOOT.forefootWidthMm),
    along: (usual.along * sizePercent * lengthMm) / (100 * USUAL_FOOT.lengthMm),
  }
  const [a, b] = heads.map((k) => field.sole.heads[k - 1]!)
  return ellipse(
    (a!.x + b!.x) / 2 + medialMm,
    (a!.y + b!.y) / 2 - behindHeadsMm - axes.along,
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
