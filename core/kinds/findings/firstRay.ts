import { z } from 'zod'
import { STIFFNESS } from '../../tables/vocabulary'
import { own } from './definition'

export const firstRay = own({
  kind: 'firstRay',
  group: 'range',
  name: 'First ray',
  how: 'against the others, and how far it gives',
  plain: 'how the big-toe side stands',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  schema: z.strictObject({
    rest: z.enum(['level', 'plantarflexed', 'elevated']).optional(),
    upMm: z.number().min(0).max(40).optional(),
    downMm: z.number().min(0).max(40).optional(),
    stiffness: z.enum(STIFFNESS).optional(),
  }),
  sheet: (ray) =>
    [
      ray.rest,
      ray.upMm !== undefined && `up ${ray.upMm} mm`,
      ray.downMm !== undefined && `down ${ray.downMm} mm`,
      ray.stiffness,
    ]
      .filter(Boolean)
      .join(', ') || null,
})
