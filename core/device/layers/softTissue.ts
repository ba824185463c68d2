import { smoothstep as S } from '../../geometry/smoothstep'
import { LAYER_NAMES } from '../layerNames'
import type { SoleField } from '../soleField'
import { acrossFoot, everyCell, scaleToDepth, type LayerDefinition, type Reach } from './definition'

/** Opens the heel's border all around, where the fat pad spreads; house formula S(ρ; .45, .95)·(1 − S(s; .20, .34)). */
export const heelExpansionChange = (field: SoleField, mm: number): Float64Array =>
  scaleToDepth(
    field,
    everyCell(
      field,
      (s) => 1 - S(s, 0.2, 0.34),
      (i, gate) => gate * S(field.rho[i]!, 0.45, 0.95),
    ),
    mm,
  )

/** Lowers the outer border from behind the ball to the heel; house formula (1 − S(u; .04, .30))·S(s; .16, .30)·(1 − S(q; −30, −8)). */
export const lateralFillChange = (field: SoleField, mm: number): Float64Array =>
  scaleToDepth(
    field,
    everyCell(
      field,
      (s) => S(s, 0.16, 0.3),
      (i, gate) => gate * (1 - S(field.u[i]!, 0.04, 0.3)) * (1 - S(field.q[i]!, -30, -8)),
    ),
    mm,
  )

/** Lowers the medial arch so that soft tissue has room; house formula −f·B₂·S(u; .35, .8). */
export const archFillChange = (field: SoleField, mm: number): Float64Array =>
  everyCell(
    field,
    (s) => -mm * S(s, 0.2, 0.4) * (1 - S(s, 0.48, 0.66)),
    (i, gate) => gate * S(field.u[i]!, 0.35, 0.8),
  )

type RoomKind = 'heelExpansion' | 'lateralFill'

/** A layer that makes room by one amount of 1 to 3 mm. */
const room = (
  kind: RoomKind,
  does: string,
  where: string,
  reach: (field: SoleField) => Reach,
  change: (field: SoleField, mm: number) => Float64Array,
): LayerDefinition<RoomKind> => ({
  kind,
  name: LAYER_NAMES[kind],
  does,
  where,
  phase: 'shape',
  amounts: [
    {
      key: 'amountMm',
      label: 'amount',
      unit: 'mm',
      step: 0.5,
      fallback: 2,
      presets: [1, 2, 3],
      usual: [0, 4],
    },
  ],
  asked: (layer) => layer.amountMm,
  reach,
  change: (field, layer) => change(field, layer.amountMm),
})

export const heelExpansion = room(
  'heelExpansion',
  'opens the cup for the fat pad',
  'cast · heel border',
  (field) => acrossFoot(field, -0.1, 0.34),
  heelExpansionChange,
)
export const lateralFill = room(
  'lateralFill',
  'room along the outer border',
  'cast · outer border',
  (field) => ({ x: [-90, 20], y: acrossFoot(field, 0.16, 0.74).y }),
  lateralFillChange,
)
