import { z } from 'zod'
import { table } from './table'

/** How misfit, work and split pairs weigh against each other when footwear is ranked. */
export const rankingWeights = table({
  name: 'Ranking: a minute of work, too little against too much, a measure the shell does not state, a split pair, a station the family does not hold by',
  unit: 'mm of misfit',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    perMinute: z.number().min(0).max(10),
    short: z.number().min(0).max(20),
    unknownMm: z.number().min(0).max(20),
    split: z.number().min(0).max(100),
    otherStation: z.number().min(0).max(10),
  }),
  house: { perMinute: 0.03, short: 1.3, unknownMm: 0.3, split: 0.75, otherStation: 0.1 },
})
