import { z } from 'zod'
import { table } from './table'

/** Burn thresholds of healthy adult skin, °C by minutes of contact (ISO 13732-1); not to be edited. */
export const SKIN_THRESHOLDS: readonly (readonly [minutes: number, celsius: number])[] = [
  [1, 51],
  [10, 48],
  [480, 43],
]

/** How far below the threshold a foot stays. */
export const skinMarginK = table({
  name: 'Stay below the burn threshold of skin by',
  unit: 'K',
  source: 'house margin; thresholds of ISO 13732-1',
  state: 'own assumption',
  keptBy: 'shop',
  schema: z.strictObject({ adult: z.number().min(0).max(15), child: z.number().min(0).max(15) }),
  house: { adult: 3, child: 5 },
})
