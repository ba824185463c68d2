import { z } from 'zod'
import { own } from './definition'

export const firstToeStiff = own({
  kind: 'firstToeStiff',
  group: 'range',
  name: 'Big toe stiff',
  how: 'moved by hand',
  plain: 'whether the big toe is stiff',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  schema: z.boolean(),
  harm: Number,
  sheet: (stiff) => (stiff ? 'stiff' : 'moves'),
})
