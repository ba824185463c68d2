import type { SoleField } from '../../geometry/soleField'
import { depthMm, stored } from './amountRule'
import { dome, ellipse } from './dome'
import { layer } from './definition'

const DEPTH = depthMm({ fallback: 3, presets: [2, 3, 4], usual: [2, 4] })

/** The soft plug under the first head, lower than the firmer part beside it. */
const plug = (field: SoleField) =>
  ellipse(
    field.sole.heads[0]!.x,
    field.sole.heads[0]!.y,
    (17 * field.sole.parameters.forefootWidthMm) / 100,
    20,
  )

/** A soft plug under the first head, lower than what lies beside it. */
export const firstRayWedge = layer({
  kind: 'firstRayWedge',
  name: 'First-ray wedge',
  call: 'wedge',
  does: 'a soft, lower plug under the first head',
  plain: 'a soft place under the big-toe joint',
  where: 'forefoot · under the first head',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'soft and flat at its edge: the skin does not warn',
  phase: 'shape',
  lies: 'hollow',
  afterwards: true,
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [DEPTH],
  schema: { depthMm: stored(DEPTH) },
  more: () => [],
  sheet: {
    words: 'First-ray plug',
    material: () => 'foam, soft',
    thicknessMm: (layer) => layer.depthMm,
    cut: 'change',
    underBallMm: () => 0,
    underHeel: false,
  },
  clashes: [],
  asked: (layer) => layer.depthMm,
  reach: (field) => plug(field).reach,
  change: (field, layer) => dome(field, plug(field), -layer.depthMm),
})
