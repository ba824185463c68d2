import { z } from 'zod'
import { MARK_KINDS, MARK_VIEWS } from '../../tables/vocabulary'

/** A spot on the skin of one foot, in that foot's own frame (x medial +, y from the heel). */
export const markSchema = z.strictObject({
  kind: z.enum(MARK_KINDS),
  view: z.enum(MARK_VIEWS),
  xMm: z.number().min(-150).max(150),
  yMm: z.number().min(-20).max(420),
  sizeMm: z.number().min(0).max(120).optional(),
  tenderness: z.number().min(0).max(10).optional(),
  /** how far it stands out of the smooth line of the foot, mm */
  proudMm: z.number().min(0).max(30).optional(),
})

export type Mark = z.output<typeof markSchema>
