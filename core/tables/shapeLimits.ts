import { z } from 'zod'
import { table } from './table'

/** From where the shape of a foot asks something of footwear beyond its numbers. */
export const shapeLimits = table({
  name: 'Shape notes: second toe beyond the first, heel to ball, calf share, low calf, instep share low and high',
  unit: 'mm, share',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    /** second toe beyond the first, mm */
    secondToeMm: z.number(),
    /** heel width over forefoot width: a narrow heel under a wide ball */
    heelToBall: z.number().min(0).max(2),
    /** calf girth over foot length where it is full, taken at the height of the cuff */
    calfShare: z.number().min(0).max(4),
    /** height of the widest calf over the floor, in the reach of a cuff, mm */
    lowCalfMm: z.number().min(0).max(700),
    dorsumShare: z.tuple([z.number(), z.number()]),
  }),
  house: {
    secondToeMm: 3,
    heelToBall: 0.62,
    calfShare: 1.42,
    lowCalfMm: 330,
    dorsumShare: [0.215, 0.27],
  },
})
