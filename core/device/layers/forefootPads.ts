import { smoothstep as S } from '../../geometry/smoothstep'
import { LAYER_NAMES } from '../layerNames'
import { everyCell, type LayerDefinition } from './definition'
import { dome, padBehind } from './dome'
import { BEHIND_HEADS, height } from './pads'

/** Half length of a met bar and half axes of a nerve pad, mm (house sizes). */
const BAR_HALF_MM = 14
const NERVE_PAD_MM = { across: 12, along: 20 } as const

/** A bar across the whole foot behind the line of the heads: d·(1 − t²)^1.5 along, eased out over the borders. */
export const metBar: LayerDefinition<'metBar'> = {
  kind: 'metBar',
  name: LAYER_NAMES.metBar,
  does: 'lifts all shafts behind the heads',
  where: 'top · behind heads 1–5',
  phase: 'shape',
  amounts: [height([3, 6], 4, [3, 4, 5]), BEHIND_HEADS],
  asked: (layer) => layer.heightMm,
  reach: (field, layer) => {
    const y = field.sole.heads.map((h) => h.y)
    return {
      x: [-90, 90],
      y: [
        Math.min(...y) - layer.behindHeadsMm - 2 * BAR_HALF_MM,
        Math.max(...y) - layer.behindHeadsMm,
      ],
    }
  },
  change: (field, layer) =>
    everyCell(
      field,
      () => layer.heightMm,
      (i, mm) => {
        const t = (field.q[i]! + layer.behindHeadsMm + BAR_HALF_MM) / BAR_HALF_MM
        const rest = 1 - t * t
        return rest > 0
          ? mm *
              rest *
              Math.sqrt(rest) *
              S(field.u[i]!, 0.02, 0.22) *
              (1 - S(field.u[i]!, 0.78, 0.98))
          : 0
      },
    ),
}

/** A slim dome between two shafts, that spreads the heads in front of it. */
export const nerveSpreadPad: LayerDefinition<'nerveSpreadPad'> = {
  kind: 'nerveSpreadPad',
  name: LAYER_NAMES.nerveSpreadPad,
  does: 'spreads two shafts behind their heads',
  where: 'top · between two shafts',
  phase: 'shape',
  amounts: [height([2, 5], 4, [3, 4, 5]), BEHIND_HEADS],
  asked: (layer) => layer.heightMm,
  reach: (field, layer) =>
    padBehind(field, layer.between as [number, number], layer.behindHeadsMm, NERVE_PAD_MM).reach,
  change: (field, layer) =>
    dome(
      field,
      padBehind(field, layer.between as [number, number], layer.behindHeadsMm, NERVE_PAD_MM),
      layer.heightMm,
    ),
}
