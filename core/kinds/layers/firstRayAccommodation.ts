import { depthMm, stored } from './amountRule'
import { CORNER_LENGTH, cornerReach, dropCorner } from './firstRayCorner'
import { layer } from './definition'

const DEPTH = depthMm({ fallback: 4, presets: [3, 4, 5], usual: [2, 6] })

/** Lets that corner down more steeply and keeps it on the floor: stable without posts. */
export const firstRayAccommodation = layer({
  kind: 'firstRayAccommodation',
  name: 'First-ray accommodation',
  call: 'letdown',
  does: 'lets the inner front corner down, on the floor',
  plain: 'room for the big-toe joint to drop',
  where: 'top · behind the first head',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft and flat at its edge: the skin does not warn',
  phase: 'shape',
  lies: 'cast',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [DEPTH, CORNER_LENGTH],
  schema: { depthMm: stored(DEPTH), lengthMm: stored(CORNER_LENGTH) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.depthMm,
  reach: (field, layer) => cornerReach(field, layer.lengthMm),
  change: (field, layer) => dropCorner(field, layer, 12),
})
