import { LAYER_NAMES } from '../layerNames'
import { smoothstep as S } from '../../geometry/smoothstep'
import type { SoleField } from '../soleField'
import { everyCell, scaleToDepth, type LayerDefinition } from './definition'
import { dome, ellipse } from './dome'

/** How the depth of a relief is offered. */
export const depth = (
  usual: readonly [number, number],
  fallback: number,
  presets: readonly number[],
) => ({ key: 'depthMm', label: 'depth', unit: 'mm', step: 0.5, fallback, presets, usual }) as const
/** Numbers of a spot on the foot map. */
export const SPOT_NUMBERS = [
  {
    key: 'xMm',
    label: 'from the axis, + medial',
    unit: 'mm',
    step: 1,
    fallback: 0,
    presets: [],
    usual: [-60, 60],
  },
  {
    key: 'yMm',
    label: 'from the heel',
    unit: 'mm',
    step: 1,
    fallback: 35,
    presets: [],
    usual: [0, 330],
  },
  {
    key: 'radiusMm',
    label: 'radius',
    unit: 'mm',
    step: 1,
    fallback: 12,
    presets: [8, 12, 18],
    usual: [8, 25],
  },
] as const

/** A smooth hollow at a point picked on the foot. */
export const sweetSpot: LayerDefinition<'sweetSpot'> = {
  kind: 'sweetSpot',
  name: LAYER_NAMES.sweetSpot,
  does: 'a smooth hollow under one point',
  where: 'top · where it is put',
  phase: 'shape',
  amounts: [depth([1, 5], 2, [2, 3, 4]), ...SPOT_NUMBERS],
  asked: (layer) => layer.depthMm,
  reach: (_, layer) => ellipse(layer.xMm, layer.yMm, layer.radiusMm, layer.radiusMm).reach,
  change: (field, layer) =>
    dome(field, ellipse(layer.xMm, layer.yMm, layer.radiusMm, layer.radiusMm), -layer.depthMm),
}

/** Half axes of the hollow under one head, for a 100 mm forefoot (house size). */
const headHollow = (field: SoleField, k: number) => {
  const head = field.sole.heads[k - 1]!
  return ellipse(head.x, head.y, (13 * field.sole.parameters.forefootWidthMm) / 100, 16)
}

/** A hollow under one or more met heads; where two overlap the deeper counts. */
export const metHeadRelief: LayerDefinition<'metHeadRelief'> = {
  kind: 'metHeadRelief',
  name: LAYER_NAMES.metHeadRelief,
  does: 'lets single heads down',
  where: 'top · under the chosen heads',
  phase: 'shape',
  amounts: [depth([1, 4], 2, [2, 3])],
  asked: (layer) => (layer.heads.length > 0 ? layer.depthMm : 0),
  reach: (field, layer) => {
    const boxes = layer.heads.map((k) => headHollow(field, k).reach)
    if (boxes.length === 0) return { x: [0, 0], y: [0, 0] }
    return {
      x: [Math.min(...boxes.map((b) => b.x[0])), Math.max(...boxes.map((b) => b.x[1]))],
      y: [Math.min(...boxes.map((b) => b.y[0])), Math.max(...boxes.map((b) => b.y[1]))],
    }
  },
  change: (field, layer) => {
    const out = new Float64Array(field.z.length)
    for (const k of layer.heads) {
      const one = dome(field, headHollow(field, k), -layer.depthMm)
      for (let i = 0; i < out.length; i++) if (one[i]! < out[i]!) out[i] = one[i]!
    }
    return out
  },
}

/** Half width of the groove, mm (house size). */
const GROOVE_HALF_MM = 9

/** A groove along the medial band of the fascia, from the front of the heel to behind heads 1 and 2. */
export const fasciaGroove: LayerDefinition<'fasciaGroove'> = {
  kind: 'fasciaGroove',
  name: LAYER_NAMES.fasciaGroove,
  does: 'room for the tight band of the fascia',
  where: 'top · heel to behind heads 1–2',
  phase: 'shape',
  amounts: [depth([2, 4], 2, [2, 3, 4])],
  asked: (layer) => layer.depthMm,
  reach: (field) => {
    const { fromY, toY, at } = band(field)
    const x = [at(fromY), at(toY)]
    return {
      x: [Math.min(...x) - GROOVE_HALF_MM, Math.max(...x) + GROOVE_HALF_MM],
      y: [fromY, toY],
    }
  },
  change: (field, layer) => {
    const { fromY, toY, at } = band(field)
    const change = everyCell(
      field,
      (_, y) => S(y, fromY, fromY + 18) * (1 - S(y, toY - 18, toY)),
      (i, gate) => {
        const t = (field.x[i]! - at(field.y[i]!)) / GROOVE_HALF_MM
        const rest = 1 - t * t
        return rest > 0 ? gate * rest * Math.sqrt(rest) : 0
      },
    )
    return scaleToDepth(field, change, layer.depthMm)
  },
}

/** Where the medial band runs: a straight line from the inner heel to between heads 1 and 2. */
function band({ sole }: SoleField) {
  const [first, second] = sole.heads
  const fromY = 0.22 * sole.parameters.lengthMm
  const toY = Math.min(first!.y, second!.y) - 12
  const fromX = 0.06 * sole.parameters.heelWidthMm
  const toX = (first!.x + second!.x) / 2
  return { fromY, toY, at: (y: number) => fromX + ((toX - fromX) * (y - fromY)) / (toY - fromY) }
}
