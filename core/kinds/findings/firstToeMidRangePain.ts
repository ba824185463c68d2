import { z } from 'zod'
import { own } from './definition'

export const firstToeMidRangePain = own({
  kind: 'firstToeMidRangePain',
  group: 'range',
  name: 'Pain in mid range',
  how: 'moved by hand',
  plain: 'whether it hurts half way',
  child: 'looked at as in adults',
  insensate: 'it may not be felt: look at swelling and warmth',
  schema: z.boolean(),
  harm: Number,
  sheet: (hurts) => (hurts ? 'hurts' : 'none'),
})
