import { z } from 'zod'
import { table } from './table'

/** When a shop's own feet may stand in for the house's numbers, and how they are put together. */
export const ownRecords = table({
  name: 'Our own feet: how many clients for norms and for percentiles, sizes parted at, mm, and the shares that are low and high',
  unit: '',
  source: 'workshop default',
  state: 'own assumption',
  keptBy: 'shop',
  schema: z.strictObject({
    clientsForNorms: z.number().int().min(20).max(10_000),
    clientsForPercentiles: z.number().int().min(20).max(10_000),
    sizesPartedAtMm: z
      .tuple([z.number().min(150).max(350), z.number().min(150).max(350)])
      .refine(([low, high]) => low < high, 'the lower limit must be below the upper one'),
    lowShare: z.number().min(0.01).max(0.49),
    highShare: z.number().min(0.51).max(0.99),
  }),
  labels: {
    clientsForNorms: 'clients before own norms are offered',
    clientsForPercentiles: 'clients before percentiles are told',
    'sizesPartedAtMm.0': 'small feet below, mm',
    'sizesPartedAtMm.1': 'large feet from, mm',
    lowShare: 'called low below this share of our feet',
    highShare: 'called high above this share of our feet',
  },
  house: {
    clientsForNorms: 100,
    clientsForPercentiles: 50,
    sizesPartedAtMm: [240, 265],
    lowShare: 0.2,
    highShare: 0.8,
  },
})
