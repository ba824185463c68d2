import { depthMm, stored } from './amountRule'
import { acrossFoot } from './field'
import { HEEL_FADE, notOnInsensate, skivePlane } from './skivePlane'
import { layer } from './definition'

const NAME = 'Medial heel skive'
const DEPTH = depthMm({ fallback: 3, presets: [2, 3, 4], usual: [2, 6] })

/** Pushes up medial of the subtalar axis, inside the heel cup. */
export const medialSkive = layer({
  kind: 'medialSkive',
  name: 'Medial heel skive',
  call: 'skive',
  does: 'raises the cup floor medially',
  plain: 'support under the inner heel',
  where: 'cast · plane at 15°',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'not on this foot: it pushes where nothing is felt',
  neverInsensate: true,
  phase: 'skive',
  lies: 'cast',
  edged: true,
  pushes: true,
  onPlain: false,
  amounts: [DEPTH],
  schema: { depthMm: stored(DEPTH) },
  more: () => [],
  sheet: null,
  clashes: [notOnInsensate(NAME)],
  asked: (layer) => layer.depthMm,
  reach: (field) => acrossFoot(field, -0.1, 0.27),
  change: (field, layer, current) => skivePlane(field, current, layer.depthMm, 1, 0, HEEL_FADE),
})
