import { z } from 'zod'
import { depthMm, stored } from './amountRule'
import { outsideHole, pocketChange, pocketReach, pocketWords } from './heelAperturePocket'
import { SPOT_NUMBERS, spotSchema } from './spot'
import { layer } from './definition'

const DEPTH = depthMm({ fallback: 3, presets: [2, 3, 4], usual: [2, 4] })

/** A pocket or a hole under one sore point of the heel. */
export const heelAperture = layer({
  kind: 'heelAperture',
  name: 'Heel aperture',
  call: 'aperture',
  does: 'a pocket or hole under the sore point',
  plain: 'a soft place under the heel',
  where: 'cut · under the heel bone',
  child: 'room is welcome in a growing foot',
  insensate: 'a pocket with a soft fill, never a hard edge around it',
  phase: 'shape',
  lies: 'hollow',
  afterwards: true,
  edged: true,
  pushes: false,
  onPlain: false,
  amounts: [DEPTH, ...SPOT_NUMBERS],
  schema: { depthMm: stored(DEPTH), through: z.boolean().default(false), ...spotSchema },
  more: pocketWords,
  sheet: null,
  clashes: [],
  asked: (layer) => layer.depthMm,
  reach: (_, layer) => pocketReach(layer, 0),
  change: (field, layer) => pocketChange(field, layer, 0),
  keep: (field, layer, i) => outsideHole(field, layer, 0, i),
})
