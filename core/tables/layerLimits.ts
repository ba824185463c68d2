import { z } from 'zod'
import { table } from './table'

const pair = z
  .tuple([z.number(), z.number()])
  .refine(([low, high]) => low < high, 'the lower limit must be below the upper one')

/** The shop's own usual limits, by `kind.amount`; the house's stand with the kinds. */
export const layerUsual = table({
  name: 'Usual limits of layers',
  unit: 'mm, °',
  source: 'workshop practice',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.record(z.string().regex(/^\w+\.\w+$/), pair),
  house: {},
})
