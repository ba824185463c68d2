import { z } from 'zod'
import { own } from './definition'

export const posture = own({
  kind: 'posture',
  group: 'stance',
  name: 'Posture, six items',
  how: 'each −2 to +2, standing (Redmond 2006)',
  plain: 'how the foot stands',
  child: 'a sum only, no class',
  insensate: 'look, do not ask',
  schema: z.array(z.number().int().min(-2).max(2)).length(6),
  sheet: (items) => {
    const sum = items.reduce((a, b) => a + b, 0)
    return `sum ${sum < 0 ? '−' : ''}${Math.abs(sum)}`
  },
})
