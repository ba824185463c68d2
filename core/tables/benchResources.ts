import { z } from 'zod'
import { table } from './table'

const text = (max: number) => z.string().max(max)
const id = z.string().regex(/^[a-z][a-z0-9-]{0,30}$/, 'use small letters, digits and dashes')

/**
 * Beside the sheets and the tray: what the bench has, how often, from when to when. People are
 * those on duty.
 */
const benchResourceSchema = z.strictObject({
  id,
  name: text(60).min(1),
  count: z.number().int().min(0).max(20),
  from: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'write the time as HH:MM'),
  to: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'write the time as HH:MM'),
})
export type BenchResource = z.output<typeof benchResourceSchema>

/** The id of the pool of hands. */
export const PEOPLE = 'people'
const DAY = { from: '08:30', to: '18:00' } as const
export const benchResources = table({
  name: 'What the bench has, and its hours',
  unit: '',
  source: 'workshop defaults',
  state: 'own assumption',
  keptBy: 'shop',
  schema: z.array(benchResourceSchema).min(1).max(30),
  house: [
    { id: PEOPLE, name: 'People', count: 2, ...DAY },
    { id: 'chair', name: 'Chair', count: 1, ...DAY },
    { id: 'tray', name: 'Bead tray', count: 1, ...DAY },
    { id: 'oven', name: 'Oven', count: 1, ...DAY },
    { id: 'blower', name: 'Blower', count: 1, ...DAY },
    { id: 'press', name: 'Press', count: 2, ...DAY },
    { id: 'grinder', name: 'Grinder', count: 1, ...DAY },
  ],
})
