import { smoothstep as S } from '../../geometry/smoothstep'
import { stored, thicknessMm } from './amountRule'
import { acrossFoot, everyCell } from './field'
import { layer } from './definition'

/** The cushion is full to this share of the length and run out at the next. */
const ENDS = [0.22, 0.3] as const
const THICKNESS = thicknessMm({ fallback: 4, presets: [3, 4, 6], usual: [2, 6] })

/** A soft pad in the cup, under the whole heel. */
export const heelCushion = layer({
  kind: 'heelCushion',
  name: 'Heel cushion',
  call: 'cushion',
  does: 'softens the landing of the heel',
  plain: 'a soft pad under the heel',
  where: 'top · in the heel cup',
  child: 'on both feet, for a sore heel',
  insensate: 'soft and even, with a thin edge',
  phase: 'shape',
  lies: 'on the shell',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [THICKNESS],
  schema: { thicknessMm: stored(THICKNESS) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.thicknessMm,
  reach: (field) => acrossFoot(field, -0.1, ENDS[1]),
  change: (field, layer) =>
    everyCell(
      field,
      (s) => layer.thicknessMm * (1 - S(s, ...ENDS)),
      (_, gate) => gate,
    ),
})
