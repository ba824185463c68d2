import { amountMm, stored } from './amountRule'
import { acrossFoot } from './field'
import { heelExpansionChange } from './softTissue'
import { layer } from './definition'

const AMOUNT = amountMm({ fallback: 2, presets: [1, 2, 3], usual: [0, 4] })

/** Opens the heel for the fat pad, which spreads under load. */
export const heelExpansion = layer({
  kind: 'heelExpansion',
  name: 'Heel expansion',
  call: 'expansion',
  does: 'opens the cup for the fat pad',
  plain: 'room around the heel for its soft pad',
  where: 'cast · heel border',
  child: 'room is welcome in a growing foot',
  insensate: 'room unloads the border: welcome',
  phase: 'shape',
  edged: false,
  pushes: false,
  onPlain: true,
  amounts: [AMOUNT],
  schema: { amountMm: stored(AMOUNT) },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.amountMm,
  reach: (field) => acrossFoot(field, -0.1, 0.34),
  change: (field, layer) => heelExpansionChange(field, layer.amountMm),
})
