import { z } from 'zod'
import { rowTable, table } from './table'

/** A band of clearance, mm; it may be one value wide. */
const bandSchema = z
  .tuple([z.number().min(-30).max(60), z.number().min(-30).max(60)])
  .refine(([low, high]) => low <= high, 'the lower limit must not be above the upper one')

/** Target bands of a station, by how the client wants the fit. */
const targetRowSchema = z.strictObject({
  race: bandSchema,
  performance: bandSchema,
  'all-round': bandSchema,
  comfort: bandSchema,
})
export type Band = readonly [number, number]
export type TargetRow = Readonly<Record<keyof z.output<typeof targetRowSchema>, Band>>

/** Target clearances by family and station; the house's bands stand with both. */
export const matchTargetRows = rowTable({
  name: 'Target clearances',
  unit: 'mm',
  source: 'workshop practice for rigid shells, house defaults elsewhere',
  state: 'own assumption',
  keptBy: 'fitting',
  row: targetRowSchema,
})

/** Least room before the toes inside the footwear as it is worn, by family; the rows stand with the families. */
export const leastRoomRows = rowTable({
  name: 'Least room before the toes as worn: outgrown below it, growth comes on top',
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  row: z.number().min(-20).max(30),
})

/**
 * Room to grow that children get at the toes instead of the intent's, over the least room of the family, and
 * the most over it.
 */
export const growthRoomMm = table({
  name: 'Children: room to grow over the least room in hard shells, elsewhere, and the most',
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({ hard: bandSchema, soft: bandSchema, most: z.number().min(0).max(40) }),
  house: { hard: [8, 10], soft: [8, 12], most: 15 },
})

/** How far outside a band a clearance is called tight, and loose. */
export const verdictMm = table({
  name: 'Tight below the band by more than, loose above it by more than',
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({ tight: z.number().min(0).max(10), loose: z.number().min(0).max(10) }),
  house: { tight: 2, loose: 3 },
})

/** Height that footwear gives beyond its own insole, by place. */
export const spareHeightMm = table({
  name: 'Spare height over the insole: heel, arch, ball, toes',
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    heel: z.number().min(0).max(30),
    arch: z.number().min(0).max(30),
    ball: z.number().min(0).max(30),
    toes: z.number().min(0).max(30),
  }),
  house: { heel: 6, arch: 4, ball: 1.5, toes: 1 },
})

/** How far a marked bony point stands out where nobody took its height. */
export const usualBumpMm = table({
  name: 'A marked bump nobody measured stands out by',
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.number().min(0).max(20),
  house: 3,
})

/** A sock thicker than this, compressed, raises a note. */
export const thickSockMm = table({
  name: 'A sock is thick above',
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.number().min(0).max(10),
  house: 2,
})
