import { z } from 'zod'
import { depthMm, stored } from './amountRule'
import { outsideHole, pocketChange, pocketReach, pocketWords, RUN_MM } from './heelAperturePocket'
import { SPOT_NUMBERS, spotSchema } from './spot'
import { layer } from './definition'

const DEPTH = depthMm({ fallback: 3, presets: [2, 3, 4], usual: [2, 4] })

/** A pocket that runs forward from the heel along the fascia. */
export const elongatedHeelAperture = layer({
  kind: 'elongatedHeelAperture',
  name: 'Elongated heel aperture',
  call: 'longaperture',
  does: 'a pocket that runs forward along the fascia',
  plain: 'a soft place under the heel, on along the sole',
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
  reach: (_, layer) => pocketReach(layer, RUN_MM),
  change: (field, layer) => pocketChange(field, layer, RUN_MM),
  keep: (field, layer, i) => outsideHole(field, layer, RUN_MM, i),
})
