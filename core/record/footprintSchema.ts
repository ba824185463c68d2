import { z } from 'zod'

/**
 * A footprint or pressure grid: rows from the toes to the heel, columns from left to right as seen
 * from above, kPa; square cells.
 * `toeLineMm` is the fitter's line between toes and ball, mm from the rear edge of contact; absent
 * means the tool's own proposal.
 */
export const footprintSchema = z.strictObject({
  cellMm: z.number().min(1).max(20),
  kPa: z
    .array(z.array(z.number().min(0).max(5000)).min(3).max(120))
    .min(3)
    .max(200),
  toeLineMm: z.number().min(50).max(400).optional(),
  /** the tissue of estimates for this foot follows this picture */
  fitsTissue: z.boolean().optional(),
  source: z.string().max(80).optional(),
  at: z.string().max(40).optional(),
  by: z.string().max(80).optional(),
})

export type Footprint = z.output<typeof footprintSchema>
