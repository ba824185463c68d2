import { z } from 'zod'

const clock = z.string().regex(/^([01]\d|2[0-9]|[3-9]\d):[0-5]\d$/, 'write the time as HH:MM')
const key = z.string().min(1).max(160)

/**
 * The kept plan of a day: where steps stand, what was set by hand, who is there, what else is to be
 * done, which jobs were put on or off.
 */
export const dayPlanSchema = z.strictObject({
  steps: z
    .array(
      z.strictObject({
        job: key,
        step: key,
        start: clock,
        end: clock,
        needs: z.array(z.string().max(40)).max(14).default([]),
      }),
    )
    .max(2000)
    .default([]),
  pinned: z
    .array(z.strictObject({ job: key, step: key, at: clock }))
    .max(500)
    .default([]),
  /** names of those on duty; everybody where absent */
  onDuty: z.array(z.string().max(80)).max(30).optional(),
  own: z
    .array(
      z.strictObject({
        id: z.string().max(40),
        name: z.string().trim().min(1).max(80),
        minutes: z.number().int().min(1).max(720),
        needs: z.array(z.string().max(40)).max(8).default([]),
        at: clock.optional(),
        done: z.boolean().optional(),
      }),
    )
    .max(60)
    .default([]),
  /** jobs put on this day or taken off it by hand */
  jobs: z.record(key, z.boolean()).default({}),
})

export type DayPlan = z.output<typeof dayPlanSchema>
export const EMPTY_PLAN: DayPlan = dayPlanSchema.parse({})
