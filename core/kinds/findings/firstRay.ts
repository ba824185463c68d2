import { mean } from 'd3-array'
import { z } from 'zod'
import { STIFFNESS } from '../../tables/vocabulary'
import { own } from './definition'

const travelMm = z.number().min(0).max(40)
/** How far it gives, one try after the other; a single number is a single try. */
const travel = z.union([travelMm.transform((mm) => [mm]), z.array(travelMm).min(1).max(5)])

/** Mean of what it gave, mm. */
const meanMm = (tries: readonly number[]) => Number(mean(tries)!.toFixed(1))

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
    upMm: travel.optional(),
    downMm: travel.optional(),
    stiffness: z.enum(STIFFNESS).optional(),
  }),
  sheet: (ray) =>
    [
      ray.rest,
      ray.upMm !== undefined && `up ${meanMm(ray.upMm)} mm`,
      ray.downMm !== undefined && `down ${meanMm(ray.downMm)} mm`,
      ray.stiffness,
    ]
      .filter(Boolean)
      .join(', ') || null,
})
