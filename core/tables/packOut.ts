import { z } from 'zod'
import { table } from './table'

/**
 * How much of its thickness a liner or foam has lost after some days of use: share = end·(1 −
 * e^(−days/scale)). The house's: 10 % by day 10, 20 % in the end, so that the scale is 10/ln 2 days.
 */
export const packOut = table({
  name: 'Packing out: share lost in the end, and the scale of days it goes by',
  unit: 'share, days',
  source: 'house default, drawn towards what was measured on each liner',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    endShare: z.number().min(0).max(0.9),
    scaleDays: z.number().min(1).max(400),
  }),
  house: { endShare: 0.2, scaleDays: 10 / Math.LN2 },
})
