import type { SoleField } from '../../geometry/soleField'
import { smoothstep as S } from '../../geometry/smoothstep'
import type { Reach } from './definition'
import { everyCell } from './field'

/** Width of the flank of a pocket, mm (house size). */
const FLANK_MM = 3
/** How far an elongated one runs forward along the fascia, mm (house size). */
export const RUN_MM = 28
/** It leans a little to the inner side on its way forward, as the fascia does. */
const LEAN = 0.2

interface Pocket {
  depthMm: number
  through: boolean
  xMm: number
  yMm: number
  radiusMm: number
}

/** Distance of a point from the middle of a pocket: a point, or a line that runs forward from it. */
function away({ xMm, yMm }: Pocket, runMm: number, x: number, y: number): number {
  const [dx, dy] = [x - xMm, y - yMm]
  if (runMm === 0) return Math.hypot(dx, dy)
  const long = Math.hypot(1, LEAN)
  const along = Math.min(runMm, Math.max(0, (dx * LEAN + dy) / long))
  return Math.hypot(dx - (along * LEAN) / long, dy - along / long)
}

export const pocketReach = ({ xMm, yMm, radiusMm }: Pocket, runMm: number): Reach => ({
  x: [xMm - radiusMm, xMm + radiusMm + runMm * LEAN],
  y: [yMm - radiusMm, yMm + radiusMm + runMm],
})

/** The pocket as deep as asked, with a flank. */
export const pocketChange = (field: SoleField, pocket: Pocket, runMm: number): Float64Array =>
  everyCell(
    field,
    (_, y) => (Math.abs(y - pocket.yMm) > pocket.radiusMm + RUN_MM ? 0 : 1),
    (i) =>
      -pocket.depthMm *
      (1 -
        S(
          away(pocket, runMm, field.x[i]!, field.y[i]!),
          pocket.radiusMm - FLANK_MM,
          pocket.radiusMm,
        )),
  )

/** mm outside (+) of the hole of a pocket that is cut through; 99 where none is cut. */
export const outsideHole = (field: SoleField, pocket: Pocket, runMm: number, i: number): number =>
  pocket.through && pocket.radiusMm > 0
    ? away(pocket, runMm, field.x[i]!, field.y[i]!) - pocket.radiusMm + FLANK_MM / 2
    : 99

/** What the sheet says of a pocket. */
export const pocketWords = ({ through }: Pocket) => [through ? 'cut through' : 'a pocket']
