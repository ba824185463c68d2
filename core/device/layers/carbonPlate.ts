import { LAYER_NAMES } from '../layerNames'
import { noChange, type LayerDefinition } from './definition'

/** A stiff sheet below the sole, a little shorter than the insole and pushed to the front; a gap behind the heel does not matter. */
export const toeCarbonPlate: LayerDefinition<'toeCarbonPlate'> = {
  kind: 'toeCarbonPlate',
  name: LAYER_NAMES.toeCarbonPlate,
  does: 'stops the toes from bending up',
  where: 'below · full length, short of the heel',
  phase: 'shape',
  amounts: [
    {
      key: 'thicknessMm',
      label: 'thickness',
      unit: 'mm',
      step: 0.2,
      fallback: 1.2,
      presets: [1, 1.2, 1.5],
      usual: [0.8, 2],
    },
    {
      key: 'shorterMm',
      label: 'shorter than the insole',
      unit: 'mm',
      step: 1,
      fallback: 6,
      presets: [4, 6, 8],
      usual: [3, 12],
    },
  ],
  asked: (layer) => layer.thicknessMm,
  reach: (field, layer) => ({ x: [-90, 90], y: [layer.shorterMm, field.sole.parameters.lengthMm] }),
  change: noChange,
  achieved: (field, layer) => ({ mm: layer.thicknessMm, xMm: 0, yMm: field.sole.headLineY(0) }),
}
