import { depthMm, stored } from './amountRule'
import { CORNER_LENGTH, cornerReach, dropCorner, inCorner } from './firstRayCorner'
import { layer } from './definition'

const DEPTH = depthMm({ fallback: 4, presets: [3, 4, 5], usual: [2, 6] })

/** Removes the inner front corner of the shell: the first head can drop, but the edge no longer
 * meets the floor. */
export const firstRayCutOut = layer({
  kind: 'firstRayCutOut',
  name: 'First-ray cut-out',
  call: 'cutout',
  does: 'takes the inner front corner away',
  plain: 'room for the big-toe joint to drop',
  where: 'cut · behind the first head',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'no cut edge under a head that is not felt: let the corner down instead',
  neverInsensate: true,
  phase: 'shape',
  lies: 'cast',
  afterwards: true,
  edged: true,
  pushes: false,
  onPlain: false,
  amounts: [DEPTH, CORNER_LENGTH],
  schema: { depthMm: stored(DEPTH), lengthMm: stored(CORNER_LENGTH) },
  more: () => [],
  sheet: null,
  clashes: [
    {
      code: 'cut-out-without-post',
      kind: 'watch',
      when: (_, around) => around.posts === 0,
      words:
        'A first-ray cut-out leaves the edge hanging without a post. Add a post, or use the accommodation.',
      triggers: [],
    },
  ],
  asked: (layer) => layer.depthMm,
  reach: (field, layer) => cornerReach(field, layer.lengthMm),
  change: (field, layer) => dropCorner(field, layer, 14),
  keep: (field, layer, i) =>
    layer.lengthMm > 0 && layer.depthMm > 0 ? -inCorner(field, layer.lengthMm, i) : 99,
})
