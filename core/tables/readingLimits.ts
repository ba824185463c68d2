import { z } from 'zod'
import { rowTable } from './table'

const pair = z
  .tuple([z.number(), z.number()])
  .refine(([low, high]) => low < high, 'the lower limit must be below the upper one')

/** Values outside these are refused at any age. */
export const hardBoundsRows = rowTable({
  name: 'Hard bounds, refused outside',
  unit: 'mm',
  source: 'house limits, kept wide',
  state: 'own assumption',
  keptBy: 'fitting',
  row: pair,
})

/** A spread of trials above this asks for one more. */
export const repeatLimitRows = rowTable({
  name: 'Take again above a spread of',
  unit: 'mm',
  source: 'workshop practice',
  state: 'own assumption',
  keptBy: 'fitting',
  row: z.number().min(0).max(30),
})

/** Beyond 3.5 SD 'sure?' is asked; never a finding. */
export const ratioRows = rowTable({
  name: 'Usual share of foot length, mean and SD',
  unit: '',
  source: 'house table, only to ask “sure?”',
  state: 'own assumption',
  keptBy: 'fitting',
  row: z.strictObject({
    mean: z.number().min(0),
    sd: z.number().min(0).max(1),
    state: z.string().max(20).optional(),
  }),
})
