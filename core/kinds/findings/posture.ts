import { z } from 'zod'
import { own } from './definition'

/** The six items of the foot posture index, each −2 to +2 (Redmond 2006). */
export const POSTURE_ITEMS = [
  'Talar head',
  'Curves below the malleoli',
  'Heel from behind',
  'Talonavicular bulge',
  'Inner arch',
  'Forefoot in or out',
] as const

export const posture = own({
  kind: 'posture',
  group: 'stance',
  name: 'Posture, six items',
  how: 'each −2 to +2, standing (Redmond 2006)',
  plain: 'how the foot stands',
  child: 'a sum only, no class',
  insensate: 'look, do not ask',
  schema: z.array(z.number().int().min(-2).max(2)).length(POSTURE_ITEMS.length),
  sheet: (items) => {
    const sum = items.reduce((a, b) => a + b, 0)
    return `sum ${sum < 0 ? '−' : ''}${Math.abs(sum)}`
  },
})
