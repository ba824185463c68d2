import { z } from 'zod'
import { table } from './table'

/** How far a sole may stand over a board's edge, and how much longer a sole is than its inside. */
export const boardOverhang = table({
  name: 'Sole over the board’s edge: from, to; sole longer than the inside by',
  unit: 'mm',
  source: 'handbook of footwear: 5 to 15 mm at toe and heel; the sole’s own length is an estimate',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z
    .strictObject({
      leastMm: z.number().min(0).max(60),
      mostMm: z.number().min(0).max(60),
      soleOverInsideMm: z.number().min(0).max(80),
    })
    .refine((row) => row.leastMm < row.mostMm, 'the lower limit must be below the upper one'),
  house: { leastMm: 5, mostMm: 15, soleOverInsideMm: 26 },
})
