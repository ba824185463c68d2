import { z } from 'zod'
import { smoothstep as S } from '../../geometry/smoothstep'
import { stored, type AmountRule } from './amountRule'
import { noChange } from './field'
import { rayLine } from './firstRayCorner'
import { layer } from './definition'

const AGAINST = ['toes turned in', 'toes turned out'] as const
/** The plate runs out over this width beside the middle of the ball, mm. */
const SIDE_MM = 16
const LENGTH: AmountRule = {
  key: 'lengthMm',
  label: 'beyond the front edge',
  unit: 'mm',
  step: 2,
  fallback: 18,
  presets: [12, 18, 24],
  usual: [8, 30],
  range: [0, 40],
}

/**
 * The shell runs on under one side of the ball, so that the foot rolls over the other: outer side against
 * toes that turn in, inner side against toes that turn out.
 */
export const gaitPlate = layer({
  kind: 'gaitPlate',
  name: 'Gait plate',
  call: 'gaitplate',
  does: 'runs on under one side of the ball',
  plain: 'a longer, stiffer edge that helps to walk straighter',
  where: 'outline · front edge, one side',
  child: 'made for children only, and only where licence and a prescription allow it',
  insensate: 'not under heads that are not felt: its edge presses',
  neverInsensate: true,
  phase: 'shape',
  lies: 'cast',
  edged: true,
  pushes: false,
  onPlain: false,
  amounts: [LENGTH],
  schema: {
    lengthMm: stored(LENGTH),
    against: z.enum(AGAINST).default('toes turned in'),
  },
  choices: [{ key: 'against', label: 'against', of: AGAINST }],
  more: (layer) => [`against ${layer.against}`],
  sheet: null,
  clashes: [
    {
      code: 'gait-plate-licence',
      kind: 'watch',
      when: () => true,
      words:
        'A gait plate steers how a child walks: only on a prescription, and only where your licence covers it. Local law decides.',
      triggers: ['client.bornOn'],
    },
  ],
  asked: (layer) => layer.lengthMm,
  reach: (field, layer) => ({
    x: layer.against === 'toes turned in' ? [-90, rayLine(field)] : [-90, 90],
    y: [
      Math.min(...field.sole.heads.map((h) => h.y)) - 40,
      Math.max(...field.sole.heads.map((h) => h.y)) + layer.lengthMm,
    ],
  }),
  change: noChange,
  achieved: (field, layer) => {
    const head = field.sole.heads[layer.against === 'toes turned in' ? 4 : 0]!
    return { mm: layer.lengthMm, xMm: head.x, yMm: head.y }
  },
  forwardMm: (field, layer, i) => {
    const side = layer.against === 'toes turned in' ? -1 : 1
    const from = field.sole.heads[2]!.x
    return layer.lengthMm * S(side * (field.x[i]! - from), 0, SIDE_MM)
  },
})
