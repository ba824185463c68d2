import { heightMm, stored } from './amountRule'
import { atTheHeads } from './behindHeads'
import { dome, padBehind } from './dome'
import { layer, MATERIAL } from './definition'
import { PAD_AMOUNTS, padSchema, padWords } from './padAmounts'

/** Half axes of a met pad, mm across and along (house size). */
const AXES_MM = { across: 24, along: 27 } as const
const HEIGHT = heightMm({ fallback: 4, presets: [3, 4, 5], usual: [3, 6] })

/** Dome d·(1 − r²)^1.5 whose front edge lies behind heads 2 and 3. */
export const metPad = layer({
  kind: 'metPad',
  name: 'Met pad',
  call: 'pad',
  does: 'lifts the shafts just behind the heads',
  plain: 'a small dome behind the ball of the foot',
  where: 'top · behind heads 2–3',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft, and only where its place was marked: it presses',
  phase: 'shape',
  lies: 'on the shell',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT, ...PAD_AMOUNTS],
  schema: { heightMm: stored(HEIGHT), ...padSchema },
  choices: [MATERIAL],
  more: padWords,
  sheet: null,
  clashes: [atTheHeads('met pad')],
  asked: (layer) => layer.heightMm,
  reach: (field, layer) => padBehind(field, [2, 3], layer, AXES_MM).reach,
  change: (field, layer) => dome(field, padBehind(field, [2, 3], layer, AXES_MM), layer.heightMm),
})
