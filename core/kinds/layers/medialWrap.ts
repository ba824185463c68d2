import { wallHeightMm, stored } from './amountRule'
import { edgeShape } from './edgeShape'
import { noChange } from './field'
import { layer } from './definition'

const HEIGHT = wallHeightMm({ fallback: 8, presets: [4, 8, 12], usual: [4, 12] })
const shape = edgeShape(
  { medial: true, from: 0.02, to: 0.46, fade: 0.1 },
  (layer: { heightMm: number }) => layer.heightMm,
)

/** The inner cup wall higher, on into the arch. */
export const medialWrap = layer({
  kind: 'medialWrap',
  name: 'Medial wrap',
  call: 'wrap',
  does: 'the inner cup wall higher, on into the arch',
  plain: 'a higher inner wall that holds the heel',
  where: 'wall · inner heel to arch',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'no hard wall beside skin that does not feel',
  neverInsensate: true,
  phase: 'shape',
  lies: 'cast',
  edged: true,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT],
  schema: { heightMm: stored(HEIGHT) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.heightMm,
  reach: shape.reach,
  change: noChange,
  achieved: shape.achieved,
  wall: shape.wall,
})
