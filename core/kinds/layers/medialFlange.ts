import { wallHeightMm, stored } from './amountRule'
import { edgeShape } from './edgeShape'
import { noChange } from './field'
import { layer } from './definition'

const HEIGHT = wallHeightMm({ fallback: 15, presets: [10, 15, 20], usual: [10, 25] })
const shape = edgeShape(
  { medial: true, from: 0.2, to: 0.6, fade: 0.12 },
  (layer: { heightMm: number }) => layer.heightMm,
)

/** A wall along the arch. */
export const medialFlange = layer({
  kind: 'medialFlange',
  name: 'Medial flange',
  call: 'flange',
  does: 'a wall along the arch',
  plain: 'a wall along the arch that holds it from the side',
  where: 'wall · along the arch',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'no hard wall beside skin that does not feel',
  phase: 'shape',
  edged: true,
  pushes: false,
  onPlain: false,
  amounts: [HEIGHT],
  schema: { heightMm: stored(HEIGHT) },
  more: () => [],
  sheet: null,
  clashes: [
    {
      code: 'flange-in-low-volume',
      kind: 'watch',
      when: (_, around) => around.lowRoom,
      words:
        'A medial flange does not go into footwear with little room. A skive holds without bulk.',
      triggers: ['story.intent'],
    },
  ],
  asked: (layer) => layer.heightMm,
  reach: shape.reach,
  change: noChange,
  achieved: shape.achieved,
  wall: shape.wall,
})
