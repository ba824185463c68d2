import { z } from 'zod'
import { table } from './table'

const mm = z.number().min(0).max(40)
const note = {
  unit: 'mm',
  source: 'workshop default',
  state: 'own assumption',
  keptBy: 'fitting',
} as const

/** How much longer lasts are than the foot they are sold for. */
export const allowanceMm = table({
  ...note,
  name: 'Allowance of lasts over the foot',
  schema: z.strictObject({ boots: mm, shoes: mm }),
  house: { boots: 10, shoes: 16 },
})

export const usChildOverUk = table({
  ...note,
  name: 'US child over UK child',
  unit: 'sizes',
  schema: z.number().min(-2).max(3),
  house: 0.5,
})

/** How far arch size may lie beyond foot length. */
export const archSizeMm = table({
  ...note,
  name: 'Arch size: watch from, size by it from',
  schema: z.strictObject({ watch: z.number().min(0), by: z.number().min(0) }),
  house: { watch: 3, by: 6 },
})

/** A left–right gap above this asks 'sure?'. */
export const sideGapMm = table({
  ...note,
  name: 'Ask “sure?” above a left–right gap of',
  schema: z.number().min(0).max(60),
  house: 12,
})

/** Width of one finger and of two behind the heel, where a fitter has not measured their own. */
export const fingersMm = table({
  ...note,
  name: 'Fingers behind the heel: one, two',
  schema: z.strictObject({ one: z.number().min(5).max(40), two: z.number().min(10).max(70) }),
  house: { one: 16, two: 33 },
})
