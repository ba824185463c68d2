import { z } from 'zod'
import { table } from './table'

/** First and last birthday of the lengths below, years. */
export const FIRST_YEARS = 3
export const LAST_YEARS = 15

const lengthsMm = z
  .array(z.number().min(80).max(320))
  .length(LAST_YEARS - FIRST_YEARS + 1)
  .readonly()

/** Usual standing foot length of children by birthday, and how wide a foot is for its length. */
export const childNorms = table({
  name: 'Children: usual foot length by age, and width for length',
  unit: 'mm from 3 to 15 years; shares',
  source: 'house table, to be replaced by the shop’s own norms; said so beside every percentile',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    girlsMm: lengthsMm,
    boysMm: lengthsMm,
    /** spread of children of one age, share of the mean (1 SD) */
    sdShare: z.number().min(0.01).max(0.2),
    /** growth a year before the first birthday of the table, mm */
    youngerMm: z.number().min(0).max(40),
    /** forefoot width for length at 3, 12 and 16 years */
    widthShare: z.tuple([
      z.number().min(0.2).max(0.6),
      z.number().min(0.2).max(0.6),
      z.number().min(0.2).max(0.6),
    ]),
  }),
  house: {
    girlsMm: [155, 165, 173, 182, 190, 199, 208, 217, 226, 233, 238, 241, 242],
    boysMm: [157, 167, 176, 185, 194, 203, 212, 221, 230, 240, 250, 258, 263],
    sdShare: 0.05,
    youngerMm: 18,
    widthShare: [0.395, 0.38, 0.377],
  },
})
