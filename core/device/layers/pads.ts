import { LAYER_NAMES } from '../layerNames'
import { smoothstep as S } from '../../geometry/smoothstep'
import { everyCell, scaleToPeak, type LayerDefinition } from './definition'
import { dome, padBehind } from './dome'

/** Half axes of a met pad, mm across and along (house size). */
export const MET_PAD_AXES_MM = { across: 24, along: 27 } as const
export const height = (
  usual: readonly [number, number],
  fallback: number,
  presets: readonly number[],
) =>
  ({ key: 'heightMm', label: 'height', unit: 'mm', step: 0.5, fallback, presets, usual }) as const

export const BEHIND_HEADS = {
  key: 'behindHeadsMm',
  label: 'behind the heads',
  unit: 'mm',
  step: 1,
  fallback: 8,
  presets: [6, 8, 10],
  usual: [5, 12],
} as const

/** Dome d·(1 − r²)^1.5 whose front edge lies behind heads 2 and 3. */
export const metPad: LayerDefinition<'metPad'> = {
  kind: 'metPad',
  name: LAYER_NAMES.metPad,
  does: 'lifts the shafts just behind the heads',
  where: 'top · behind heads 2–3',
  phase: 'shape',
  amounts: [height([3, 6], 4, [3, 4, 5]), BEHIND_HEADS],
  asked: (layer) => layer.heightMm,
  reach: (field, layer) => padBehind(field, [2, 3], layer.behindHeadsMm, MET_PAD_AXES_MM).reach,
  change: (field, layer) =>
    dome(field, padBehind(field, [2, 3], layer.behindHeadsMm, MET_PAD_AXES_MM), layer.heightMm),
}

/** Smooth raise under the shaft of the fifth metatarsal: d(1 − S(u; .15, .45))·S(s; .32, .42)·(1 − S(q; −22, −14)). */
export const fifthMetSupport: LayerDefinition<'fifthMetSupport'> = {
  kind: 'fifthMetSupport',
  name: LAYER_NAMES.fifthMetSupport,
  does: 'raises the lateral column',
  where: 'top · under the fifth shaft',
  phase: 'shape',
  amounts: [height([2, 4], 3, [2, 3, 4])],
  asked: (layer) => layer.heightMm,
  reach: (field) => ({
    x: [-90, 20],
    y: [0.32 * field.sole.parameters.lengthMm, Math.max(...field.sole.heads.map((h) => h.y)) - 14],
  }),
  change: (field, layer) =>
    everyCell(
      field,
      (s) => layer.heightMm * S(s, 0.32, 0.42),
      (i, gate) => gate * (1 - S(field.u[i]!, 0.15, 0.45)) * (1 - S(field.q[i]!, -22, -14)),
    ),
}

/** A bell that ends at four times its width, where it is a third of a thousandth. */
const bell = (t: number) => (Math.abs(t) > 4 ? 0 : Math.exp(-0.5 * t * t))

/** Raise under the cuboid, nearer the heel. */
export const cuboidSupport: LayerDefinition<'cuboidSupport'> = {
  kind: 'cuboidSupport',
  name: LAYER_NAMES.cuboidSupport,
  does: 'raises under the cuboid',
  where: 'top · lateral midfoot',
  phase: 'shape',
  amounts: [height([2, 4], 3, [2, 3, 4])],
  asked: (layer) => layer.heightMm,
  reach: (field) => ({
    x: [-20 - 4 * 9, -20 + 4 * 9],
    y: [
      0.41 * field.sole.parameters.lengthMm - 4 * 12,
      0.41 * field.sole.parameters.lengthMm + 4 * 12,
    ],
  }),
  change: (field, layer) => {
    const y0 = 0.41 * field.sole.parameters.lengthMm
    const change = everyCell(
      field,
      (_, y) => bell((y - y0) / 12),
      (i, gate) => gate * bell((field.x[i]! + 20) / 9),
    )
    return scaleToPeak(field, change, layer.heightMm)
  },
}
