import { z } from 'zod'
import { table } from './table'

const text = (max: number) => z.string().max(max)
const id = z.string().regex(/^[a-z][a-z0-9-]{0,30}$/, 'use small letters, digits and dashes')

const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'write the time as HH:MM')
const count = z.number().int().min(0).max(20)

/**
 * Beside the sheets and the tray: what the bench has, how often, from when to when. People are
 * those on duty.
 */
const benchResourceSchema = z.strictObject({
  id,
  name: text(60).min(1),
  count,
  from: clock,
  to: clock,
  /** where a place of the shop has another number of it, or other hours: by the place's id */
  at: z.record(z.string().max(40), z.strictObject({ count, from: clock, to: clock })).optional(),
})
export type BenchResource = z.output<typeof benchResourceSchema>

/**
 * What one place of the shop has, and its hours there.
 *
 * @param place its id
 * @example resourcesAt([{ id: 'oven', name: 'Oven', count: 1, from: '08:30', to: '18:00',
 *   at: { rink: { count: 0, from: '08:30', to: '18:00' } } }], 'rink')[0].count // 0
 */
export const resourcesAt = (resources: readonly BenchResource[], place: string): BenchResource[] =>
  resources.map(({ at, ...everywhere }) => ({ ...everywhere, ...at?.[place] }))

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
