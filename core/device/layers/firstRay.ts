import { smoothstep as S } from '../../geometry/smoothstep'
import { LAYER_NAMES } from '../layerNames'
import type { LayerOf } from '../../record/layerSchema'
import type { SoleField } from '../soleField'
import { everyCell, type LayerDefinition, type Reach } from './definition'
import { height } from './pads'
import { dome, ellipse } from './dome'
import { depth } from './reliefs'

const LENGTH = {
  key: 'lengthMm',
  label: 'length',
  unit: 'mm',
  step: 5,
  fallback: 35,
  presets: [25, 35, 45],
  usual: [20, 50],
} as const

/** The line between first and second ray, mm from the axis. */
const rayLine = ({ sole }: SoleField) => (sole.heads[0]!.x + sole.heads[1]!.x) / 2

/**
 * How far a cell lies inside the corner of the first ray (+), mm: medial of the line between the first two rays and in front of a line that
 * lies `lengthMm` behind the first head; the inner corner is rounded.
 */
function inCorner(field: SoleField, lengthMm: number, i: number): number {
  const a = field.x[i]! - rayLine(field)
  const b = field.y[i]! - (field.sole.heads[0]!.y - lengthMm)
  const round = 12
  return a < round && b < round ? round - Math.hypot(round - a, round - b) : Math.min(a, b)
}

const cornerReach = (field: SoleField, lengthMm: number): Reach => ({
  x: [rayLine(field), 90],
  y: [field.sole.heads[0]!.y - lengthMm, field.sole.parameters.lengthMm + 20],
})

/** The corner let down over so many mm from its edge. */
const drop = (
  field: SoleField,
  layer: LayerOf<'firstRayCutOut' | 'firstRayAccommodation'>,
  overMm: number,
): Float64Array => {
  const from = field.sole.heads[0]!.y - layer.lengthMm
  return everyCell(
    field,
    (_, y) => (y > from && layer.lengthMm > 0 ? 1 : 0),
    (i) => -layer.depthMm * S(inCorner(field, layer.lengthMm, i), 0, overMm),
  )
}

/** Removes the inner front corner of the shell: the first head can drop, but the edge no longer meets the floor. */
export const firstRayCutOut: LayerDefinition<'firstRayCutOut'> = {
  kind: 'firstRayCutOut',
  name: LAYER_NAMES.firstRayCutOut,
  does: 'takes the inner front corner away',
  where: 'cut · behind the first head',
  phase: 'shape',
  edged: true,
  amounts: [depth([2, 6], 4, [3, 4, 5]), LENGTH],
  asked: (layer) => layer.depthMm,
  reach: (field, layer) => cornerReach(field, layer.lengthMm),
  change: (field, layer) => drop(field, layer, 14),
  keep: (field, layer, i) =>
    layer.lengthMm > 0 && layer.depthMm > 0 ? -inCorner(field, layer.lengthMm, i) : 99,
}

/** Lets that corner down more steeply and keeps it on the floor: stable without posts. */
export const firstRayAccommodation: LayerDefinition<'firstRayAccommodation'> = {
  kind: 'firstRayAccommodation',
  name: LAYER_NAMES.firstRayAccommodation,
  does: 'lets the inner front corner down, on the floor',
  where: 'top · behind the first head',
  phase: 'shape',
  amounts: [depth([2, 6], 4, [3, 4, 5]), LENGTH],
  asked: (layer) => layer.depthMm,
  reach: (field, layer) => cornerReach(field, layer.lengthMm),
  change: (field, layer) => drop(field, layer, 12),
}

/** The soft plug under the first head, lower than the firmer part beside it. */
const plug = (field: SoleField) =>
  ellipse(
    field.sole.heads[0]!.x,
    field.sole.heads[0]!.y,
    (17 * field.sole.parameters.forefootWidthMm) / 100,
    20,
  )

export const firstRayWedge: LayerDefinition<'firstRayWedge'> = {
  kind: 'firstRayWedge',
  name: LAYER_NAMES.firstRayWedge,
  does: 'a soft, lower plug under the first head',
  where: 'forefoot · under the first head',
  phase: 'shape',
  amounts: [depth([2, 4], 3, [2, 3, 4])],
  asked: (layer) => layer.depthMm,
  reach: (field) => plug(field).reach,
  change: (field, layer) => dome(field, plug(field), -layer.depthMm),
}

/** Length of the ramp behind an extension and of its end behind the toe's tip, mm (house sizes). */
const RAMP_MM = 16
const SIDE_MM = 10

/** Plan of the extension: from behind the first head to the end of the great toe, medial of the line between the first two rays. */
function extensionPlan(field: SoleField) {
  const [head, toe] = [field.sole.heads[0]!, field.sole.toes[0]!]
  return {
    x0: rayLine(field) - SIDE_MM / 2,
    y0: head.y - 12 - RAMP_MM,
    y1: Math.min(field.sole.parameters.lengthMm - 2, toe.y + 14),
  }
}

export const firstRayExtension: LayerDefinition<'firstRayExtension'> = {
  kind: 'firstRayExtension',
  name: LAYER_NAMES.firstRayExtension,
  does: 'raises the first head and toe together',
  where: 'forefoot · under the first ray',
  phase: 'shape',
  edged: true,
  amounts: [height([2, 4], 3, [2, 3, 4])],
  asked: (layer) => layer.heightMm,
  reach: (field) => {
    const { x0, y0, y1 } = extensionPlan(field)
    return { x: [x0, 90], y: [y0, y1] }
  },
  change: (field, layer) => {
    const { x0, y0, y1 } = extensionPlan(field)
    return everyCell(
      field,
      (_, y) => layer.heightMm * S(y, y0, y0 + RAMP_MM) * (1 - S(y, y1 - 8, y1)),
      (i, gate) => gate * S(field.x[i]!, x0, x0 + SIDE_MM),
    )
  },
}
