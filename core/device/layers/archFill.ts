import { LAYER_NAMES } from '../layerNames'
import type { LayerOf } from '../../record/layerSchema'
import { acrossFoot, type LayerDefinition } from './definition'
import { archFillChange } from './softTissue'

const LEVEL_MM = { minimum: 0.5, standard: 2.5, full: 4.5 } as const

/** Amount of an arch fill: typed, else by its level, else standard. @example archFillMm({ kind: 'archFill', level: 'full', on: true }) // 4.5 */
export const archFillMm = (layer: LayerOf<'archFill'>): number =>
  layer.amountMm ?? LEVEL_MM[layer.level ?? 'standard']

/** Lowers the medial arch so that soft tissue has room. */
export const archFill: LayerDefinition<'archFill'> = {
  kind: 'archFill',
  name: LAYER_NAMES.archFill,
  does: 'lowers the arch crest',
  where: 'cast · medial arch',
  phase: 'shape',
  amounts: [
    {
      key: 'amountMm',
      label: 'amount',
      unit: 'mm',
      step: 0.5,
      fallback: 2.5,
      presets: [0.5, 2.5, 4.5],
      usual: [0, 5],
    },
  ],
  asked: archFillMm,
  reach: (field) => acrossFoot(field, 0.2, 0.66),
  change: (field, layer) => archFillChange(field, archFillMm(layer)),
}
