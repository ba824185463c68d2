import { widthMm, stored } from './amountRule'
import { edgeShape } from './edgeShape'
import { noChange } from './field'
import { layer } from './definition'

const WIDTH = widthMm({ fallback: 4, presets: [3, 5, 8], usual: [3, 8] })
const shape = edgeShape(
  { medial: false, from: 0.02, to: 0.32, fade: 0.1 },
  (layer: { widthMm: number }) => layer.widthMm,
)

/** A wider base beside the outer heel. */
export const lateralFlare = layer({
  kind: 'lateralFlare',
  name: 'Lateral flare',
  call: 'outflare',
  does: 'a wider base beside the outer heel',
  plain: 'a wider base at the outer heel',
  where: 'outline · outer heel',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft and flat at its edge: the skin does not warn',
  phase: 'shape',
  lies: 'cast',
  edged: true,
  pushes: false,
  onPlain: false,
  amounts: [WIDTH],
  schema: { widthMm: stored(WIDTH) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.widthMm,
  reach: shape.reach,
  change: noChange,
  achieved: shape.achieved,
  widen: shape.widen,
})
