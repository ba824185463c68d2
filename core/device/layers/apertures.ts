import type { LayerOf } from '../../record/layerSchema'
import { smoothstep as S } from '../../geometry/smoothstep'
import { LAYER_NAMES } from '../layerNames'
import type { SoleField } from '../soleField'
import { everyCell, type LayerDefinition } from './definition'
import { SPOT_NUMBERS, depth } from './reliefs'

/** Width of the flank of a pocket, mm, and how far an elongated one runs forward along the fascia (house sizes). */
const FLANK_MM = 3
const RUN_MM = 28
/** It leans a little to the inner side on its way forward, as the fascia does. */
const LEAN = 0.2

type Kind = 'heelAperture' | 'elongatedHeelAperture'

/** Distance of a point from the middle of an aperture: a point, or a line that runs forward from it. */
function away(layer: LayerOf<Kind>, x: number, y: number): number {
  const [dx, dy] = [x - layer.xMm, y - layer.yMm]
  if (layer.kind === 'heelAperture') return Math.hypot(dx, dy)
  const long = Math.hypot(1, LEAN)
  const along = Math.min(RUN_MM, Math.max(0, (dx * LEAN + dy) / long))
  return Math.hypot(dx - (along * LEAN) / long, dy - along / long)
}

const pocket = (field: SoleField, layer: LayerOf<Kind>): Float64Array =>
  everyCell(
    field,
    (_, y) => (Math.abs(y - layer.yMm) > layer.radiusMm + RUN_MM ? 0 : 1),
    (i) =>
      -layer.depthMm *
      (1 - S(away(layer, field.x[i]!, field.y[i]!), layer.radiusMm - FLANK_MM, layer.radiusMm)),
  )

const aperture = (kind: Kind, does: string, runMm: number): LayerDefinition<Kind> => ({
  kind,
  name: LAYER_NAMES[kind],
  does,
  where: 'cut · under the heel bone',
  phase: 'shape',
  edged: true,
  amounts: [depth([2, 4], 3, [2, 3, 4]), ...SPOT_NUMBERS],
  asked: (layer) => layer.depthMm,
  reach: (_, { xMm, yMm, radiusMm }) => ({
    x: [xMm - radiusMm, xMm + radiusMm + runMm * LEAN],
    y: [yMm - radiusMm, yMm + radiusMm + runMm],
  }),
  change: pocket,
  keep: (field, layer, i) =>
    layer.through && layer.radiusMm > 0
      ? away(layer, field.x[i]!, field.y[i]!) - layer.radiusMm + FLANK_MM / 2
      : 99,
})

export const heelAperture = aperture('heelAperture', 'a pocket or hole under the sore point', 0)
export const elongatedHeelAperture = aperture(
  'elongatedHeelAperture',
  'a pocket that runs forward along the fascia',
  RUN_MM,
)
