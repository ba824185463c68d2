import { heightMm, stored } from './amountRule'
import { BEHIND_HEADS } from './behindHeads'
import { dome, padBehind } from './dome'
import { layer } from './definition'

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
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT, BEHIND_HEADS],
  schema: { heightMm: stored(HEIGHT), behindHeadsMm: stored(BEHIND_HEADS) },
  more: () => [],
  sheet: null,
  clashes: [
    {
      code: 'pad-under-heads',
      kind: 'stop',
      when: (layer) => layer.behindHeadsMm < 0,
      words: 'The met pad lies under the heads and would load them. Move it behind them.',
      triggers: [],
    },
  ],
  asked: (layer) => layer.heightMm,
  reach: (field, layer) => padBehind(field, [2, 3], layer.behindHeadsMm, AXES_MM).reach,
  change: (field, layer) =>
    dome(field, padBehind(field, [2, 3], layer.behindHeadsMm, AXES_MM), layer.heightMm),
})
