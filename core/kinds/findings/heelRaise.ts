import { z } from 'zod'
import { own } from './definition'

export const heelRaise = own({
  kind: 'heelRaise',
  group: 'stance',
  name: 'Heel raises, one leg',
  how: 'count; does the heel turn in?',
  plain: 'rising on tiptoe on one leg',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  schema: z.strictObject({
    count: z.number().int().min(0).max(100).optional(),
    inverts: z.boolean().optional(),
  }),
  harm: ({ count }) => (count === undefined ? null : -count),
  sheet: (raise) =>
    [
      raise.count !== undefined && `${raise.count}`,
      raise.inverts !== undefined && (raise.inverts ? 'turns in' : 'stays out'),
    ]
      .filter(Boolean)
      .join(', ') || null,
})
