import { depthMm, stored } from './amountRule'
import { acrossFoot } from './field'
import { radians } from '../../geometry/tilt'
import { notOnInsensate, skivePlane } from './skivePlane'
import { layer } from './definition'

const NAME = 'Three-plane heel shave'
const DEPTH = depthMm({ fallback: 4, presets: [3, 4, 5], usual: [3, 5] })
const FORWARD = Math.tan(radians(4))
const FADE = [0.33, 0.42] as const

/** A skive whose plane runs on forward, for an axis that lies medial. */
export const threePlaneShave = layer({
  kind: 'threePlaneShave',
  name: 'Three-plane heel shave',
  call: 'shave',
  does: 'raises the inner heel, further forward',
  plain: 'support under the inner heel, on into the arch',
  where: 'cast · 15° in, 4° forward',
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
  reach: (field) => acrossFoot(field, -0.1, 0.42),
  change: (field, layer, current) => skivePlane(field, current, layer.depthMm, 1, FORWARD, FADE),
})
