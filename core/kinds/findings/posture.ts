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
  /** an item that was not seen is null, never 0 */
  schema: z.array(z.number().int().min(-2).max(2).nullable()).length(POSTURE_ITEMS.length),
  sheet: (items) => {
    const seen = items.filter((item) => item !== null)
    if (seen.length === 0) return null
    if (seen.length < items.length) return `${seen.length} of ${items.length} items seen, no sum`
    const sum = seen.reduce((a, b) => a + b, 0)
    return `sum ${sum < 0 ? '−' : ''}${Math.abs(sum)}`
  },
})
