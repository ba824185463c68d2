import { stored, type AmountRule } from './amountRule'
import { noChange } from './field'
import { layer } from './definition'

const THICKNESS: AmountRule = {
  key: 'thicknessMm',
  label: 'thickness',
  unit: 'mm',
  step: 0.2,
  fallback: 1.2,
  presets: [1, 1.2, 1.5],
  usual: [0.8, 2],
  range: [0, 40],
}
const SHORTER: AmountRule = {
  key: 'shorterMm',
  label: 'shorter than the insole',
  unit: 'mm',
  step: 1,
  fallback: 6,
  presets: [4, 6, 8],
  usual: [3, 12],
  range: [0, 40],
}

/** A stiff sheet below the sole, a little shorter than the insole and pushed to the front; a gap
 * behind the heel does not matter. */
export const toeCarbonPlate = layer({
  kind: 'toeCarbonPlate',
  name: 'Toe carbon plate',
  call: 'plate',
  does: 'stops the toes from bending up',
  plain: 'a thin stiff plate under the toes',
  where: 'below · full length, short of the heel',
  child: 'not in a growing foot: it has no adult presets',
  insensate: 'not under toes that are not felt: a rocker sole does it without an edge',
  neverInsensate: true,
  phase: 'shape',
  lies: 'cast',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [THICKNESS, SHORTER],
  schema: { thicknessMm: stored(THICKNESS), shorterMm: stored(SHORTER) },
  more: () => [],
  sheet: {
    words: 'Toe plate, pushed to the front',
    material: () => 'carbon sheet',
    thicknessMm: (layer) => layer.thicknessMm,
    cut: { insoleShorterMm: (layer) => layer.shorterMm },
    underBallMm: (layer) => layer.thicknessMm,
    underHeel: true,
  },
  clashes: [],
  asked: (layer) => layer.thicknessMm,
  reach: (field, layer) => ({ x: [-90, 90], y: [layer.shorterMm, field.sole.parameters.lengthMm] }),
  change: noChange,
  achieved: (field, layer) => ({ mm: layer.thicknessMm, xMm: 0, yMm: field.sole.headLineY(0) }),
})
