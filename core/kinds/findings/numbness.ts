import { z } from 'zod'
import { own } from './definition'

/** Feeling that comes back later than this out of the footwear is lasting numbness, minutes. */
export const WITHIN_MIN = 30

export const numbness = own({
  kind: 'numbness',
  group: 'skin',
  name: 'Toes that go numb',
  how: 'which, when, and when feeling returns',
  plain: 'which toes go numb',
  child: 'looked at as in adults',
  insensate: 'lasting numbness is looked at by somebody entitled to it',
  schema: z.strictObject({
    toes: z.array(z.number().int().min(1).max(5)).max(5).default([]),
    when: z.enum(['footwear-only', 'after-hours', 'always']).optional(),
    returnsWithinMin: z.number().min(0).max(2000).optional(),
    bothLikeStocking: z.boolean().optional(),
  }),
  harm: ({ toes, when, bothLikeStocking }) =>
    toes.length + (when === 'always' ? 5 : 0) + (bothLikeStocking ? 5 : 0),
  sheet: (numb) =>
    [
      numb.toes.length > 0 && `toes ${numb.toes.join(', ')}`,
      numb.when?.replace('-', ' '),
      numb.returnsWithinMin !== undefined && `back within ${numb.returnsWithinMin} min`,
      numb.bothLikeStocking && 'like a stocking',
    ]
      .filter(Boolean)
      .join(', ') || null,
})
