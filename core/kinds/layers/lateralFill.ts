import { amountMm, stored } from './amountRule'
import { acrossFoot } from './field'
import { lateralFillChange } from './softTissue'
import { layer } from './definition'

const AMOUNT = amountMm({ fallback: 2, presets: [1, 2, 3], usual: [0, 4] })

/** Makes room along the outer border. */
export const lateralFill = layer({
  kind: 'lateralFill',
  name: 'Lateral fill',
  call: 'border',
  does: 'room along the outer border',
  plain: 'room along the outer edge',
  where: 'cast · outer border',
  child: 'room is welcome in a growing foot',
  insensate: 'room unloads the border: welcome',
  phase: 'shape',
  lies: 'cast',
  edged: false,
  pushes: false,
  onPlain: true,
  amounts: [AMOUNT],
  schema: { amountMm: stored(AMOUNT) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.amountMm,
  reach: (field) => ({ x: [-90, 20], y: acrossFoot(field, 0.16, 0.74).y }),
  change: (field, layer) => lateralFillChange(field, layer.amountMm),
})
