import { z } from 'zod'
import { table } from './table'

/** How long a visit is by its reason, minutes. */
export const visitMinutes = table({
  name: 'A visit’s length by its reason',
  unit: 'min',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'shop',
  schema: z.record(z.string().min(1).max(60), z.number().int().min(5).max(480)),
  house: {
    'first visit': 60,
    'measure and capture': 45,
    'shells and try-on': 60,
    'try-in': 30,
    handover: 45,
    'after two weeks': 20,
    recheck: 20,
    adjustment: 30,
  },
})
