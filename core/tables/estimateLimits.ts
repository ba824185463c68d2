import { z } from 'zod'
import { table } from './table'

const pair = z
  .tuple([z.number(), z.number()])
  .refine(([low, high]) => low < high, 'the lower limit must be below the upper one')
const note = { state: 'own assumption', keptBy: 'fitting' } as const

/** A change of moment, against the plain device, above which a device pushes hard whatever it is for. */
export const pushMostNmm = table({
  ...note,
  name: 'Estimate: a device pushes hard above',
  unit: 'N·mm',
  source: 'house limit, about a 4 mm skive with a 5° post',
  schema: z.number().min(0).max(5000),
  house: 600,
})

/** Arch give under body weight and activity from which a shell feels as if it gave, as if it sprang. */
export const comfortGiveMm = table({
  ...note,
  name: 'Estimate: a shell gives from, springs from',
  unit: 'mm',
  source: 'house limits of arch give under body and activity',
  schema: pair,
  house: [0.6, 2],
})

/** Force on the arch against quiet standing, by what goes through the footwear. */
export const activityFactor = table({
  ...note,
  name: 'Estimate: force on the arch against standing',
  unit: '×',
  source: 'house factors',
  schema: z.strictObject({
    light: z.number().min(0).max(20),
    usual: z.number().min(0).max(20),
    hard: z.number().min(0).max(20),
  }),
  house: { light: 1, usual: 1.5, hard: 2.5 },
})
