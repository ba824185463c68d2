import { LAYER_NAMES } from '../layerNames'
import { radians } from '../../geometry/angle'
import { smoothstep as S } from '../../geometry/smoothstep'
import type { SoleField } from '../soleField'
import { acrossFoot, everyCell, scaleToPeak, type LayerDefinition } from './definition'

const SKIVE_PLANE = Math.tan(radians(15))
const SHAVE_FORWARD = Math.tan(radians(4))
const depth = (usual: readonly [number, number], fallback: number, presets: readonly number[]) =>
  [{ key: 'depthMm', label: 'depth', unit: 'mm', step: 0.5, fallback, presets, usual }] as const

/**
 * The plane of a heel skive, inclined 15° and raised by the depth through the inner third of the heel (Kirby's medial skive; side +1
 * medial, −1 lateral), where it stands above the surface that the shaping layers left; faded out in front of the heel and scaled so that
 * its peak is the depth. The surface is taken in the heel's own frame, without tilts and lift: a post turns the skive with the heel.
 */
function skivePlane(
  field: SoleField,
  current: Float64Array,
  depthMm: number,
  side: 1 | -1,
  forward: number,
  fade: readonly [number, number],
) {
  if (depthMm === 0) return new Float64Array(current.length) // a 0 mm skive is off: its plane would still cut the border
  const third = field.sole.parameters.heelWidthMm / 6
  const start = field.sole.heelCentreY
  const change = everyCell(
    field,
    (s) => 1 - S(s, fade[0], fade[1]),
    (i, gate) => {
      const plane =
        depthMm +
        SKIVE_PLANE * (side * field.x[i]! - third) +
        forward * Math.max(0, field.y[i]! - start)
      return Math.max(0, plane - current[i]!) * gate
    },
  )
  return scaleToPeak(field, change, depthMm)
}

export const medialSkive: LayerDefinition<'medialSkive'> = {
  kind: 'medialSkive',
  name: LAYER_NAMES.medialSkive,
  edged: true,
  reach: (field) => acrossFoot(field, -0.1, 0.27),
  does: 'raises the cup floor medially',
  where: 'cast · plane at 15°',
  phase: 'skive',
  amounts: depth([2, 6], 3, [2, 3, 4]),
  asked: (layer) => layer.depthMm,
  change: (field, layer, current) => skivePlane(field, current, layer.depthMm, 1, 0, [0.2, 0.27]),
}

export const lateralSkive: LayerDefinition<'lateralSkive'> = {
  kind: 'lateralSkive',
  name: LAYER_NAMES.lateralSkive,
  edged: true,
  reach: (field) => acrossFoot(field, -0.1, 0.27),
  does: 'raises the cup floor laterally',
  where: 'cast · plane at 15°',
  phase: 'skive',
  amounts: depth([2, 6], 3, [2, 3, 4]),
  asked: (layer) => layer.depthMm,
  change: (field, layer, current) => skivePlane(field, current, layer.depthMm, -1, 0, [0.2, 0.27]),
}

export const threePlaneShave: LayerDefinition<'threePlaneShave'> = {
  kind: 'threePlaneShave',
  name: LAYER_NAMES.threePlaneShave,
  edged: true,
  reach: (field) => acrossFoot(field, -0.1, 0.42),
  does: 'raises the inner heel, further forward',
  where: 'cast · 15° in, 4° forward',
  phase: 'skive',
  amounts: depth([3, 5], 4, [3, 4, 5]),
  asked: (layer) => layer.depthMm,
  change: (field, layer, current) =>
    skivePlane(field, current, layer.depthMm, 1, SHAVE_FORWARD, [0.33, 0.42]),
}
