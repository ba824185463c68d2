import { z } from 'zod'
import { own } from './definition'

export const sensationFelt = own({
  kind: 'sensationFelt',
  group: 'skin',
  name: 'Points felt, of ten',
  how: 'filament, eyes closed',
  plain: 'how much the sole feels',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  schema: z.number().int().min(0).max(10),
  harm: (felt) => -felt,
  sheet: (felt) => `${felt} of 10`,
})
