import { smoothstep as S } from '../../geometry/smoothstep'
import { heightMm, stored } from './amountRule'
import { everyCell } from './field'
import { layer } from './definition'

const HEIGHT = heightMm({ fallback: 3, presets: [2, 3, 4], usual: [2, 4] })

/** Smooth raise under the shaft of the fifth metatarsal: d(1 − S(u; .15, .45))·S(s; .32, .42)·(1 −
 * S(q; −22, −14)). */
export const fifthMetSupport = layer({
  kind: 'fifthMetSupport',
  name: 'Fifth-met support',
  call: 'fifth',
  does: 'raises the lateral column',
  plain: 'support along the outer edge',
  where: 'top · under the fifth shaft',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft and flat at its edge: the skin does not warn',
  phase: 'shape',
  lies: 'cast',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT],
  schema: { heightMm: stored(HEIGHT) },
  more: () => [],
  sheet: null,
  clashes: [],
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
})
