import { z } from 'zod'
import { parseWith } from '../../record/parse'
import { Refusal } from '../../record/refusal'

const clock = z.string().regex(/^([01]\d|2[0-4]):[0-5]\d$/, 'write the time as HH:MM')
const id = z.string().min(1).max(160)
const window = z.strictObject({ from: clock, to: clock })

const dayResourceSchema = z.strictObject({
  id,
  count: z.number().int().min(0).max(50).default(1),
  from: clock,
  to: clock,
  name: z.string().max(80).optional(),
})

const dayStepSchema = z.strictObject({
  id,
  minutes: z.number().int().min(0).max(2880),
  /** resources it holds from start to end, people among them; the same id twice holds two */
  needs: z.array(id).max(12).default([]),
  handsOn: z.boolean().optional(),
  /** must the client be there? then it lies inside the visit */
  client: z.boolean().default(false),
  /** steps of the same job that are over before it begins */
  after: z.array(id).max(40).default([]),
  /** what waits for it should follow at once: it is placed as late as that allows */
  fresh: z.boolean().optional(),
  words: z.string().max(200).optional(),
})

const dayJobSchema = z.strictObject({
  id,
  due: clock.optional(),
  visit: window.optional(),
  steps: z.array(dayStepSchema).min(1).max(60),
  name: z.string().max(120).optional(),
})

/**
 * A day of the workshop: what there is, what is to be done, what is running; `now` holds everything
 * that has not begun to later.
 */
export const daySchema = z.strictObject({
  resources: z.array(dayResourceSchema).min(1).max(60),
  jobs: z.array(dayJobSchema).max(300),
  running: z
    .array(z.strictObject({ job: id, step: id, since: clock }))
    .max(100)
    .default([]),
  /** steps set by hand: they stay where they were put */
  pinned: z
    .array(z.strictObject({ job: id, step: id, at: clock }))
    .max(500)
    .default([]),
  /** steps that are over: they hold nothing any more and nobody waits for them */
  done: z
    .array(z.strictObject({ job: id, step: id }))
    .max(5000)
    .default([]),
  now: clock.optional(),
})

export type Day = z.output<typeof daySchema>
export type DayJob = Day['jobs'][number]
export type DayStep = DayJob['steps'][number]

/** Minutes since midnight. @example minuteOf('10:05') // 605 */
export const minuteOf = (time: string): number =>
  Number(time.slice(0, 2)) * 60 + Number(time.slice(3))

/** The time of a minute; beyond midnight the hours go on. @example clockOf(605) // '10:05' */
export const clockOf = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`

/**
 * Reads a day and checks that it hangs together: names used once, needs and predecessors that
 * exist, no circle, windows that open before they close.
 */
export function parseDay(value: unknown): Day {
  const day = parseWith(daySchema, value, 'day')
  const refuse = (words: string, path: string): never => {
    throw new Refusal('bad-day', `${path}: ${words}`, path)
  }
  const unique = (ids: readonly string[], path: string) =>
    ids.forEach(
      (x, i) => ids.indexOf(x) !== i && refuse(`"${x}" is used twice.`, `${path}.${i}.id`),
    )
  unique(
    day.resources.map((r) => r.id),
    'resources',
  )
  unique(
    day.jobs.map((j) => j.id),
    'jobs',
  )
  const has = new Set(day.resources.map((r) => r.id))
  day.resources.forEach(
    (r, i) =>
      minuteOf(r.from) >= minuteOf(r.to) &&
      refuse('it opens after it closes.', `resources.${i}.from`),
  )
  day.jobs.forEach((job, j) => {
    unique(
      job.steps.map((s) => s.id),
      `jobs.${j}.steps`,
    )
    if (job.visit && minuteOf(job.visit.from) >= minuteOf(job.visit.to))
      refuse('the visit ends before it begins.', `jobs.${j}.visit.from`)
    const steps = new Map(job.steps.map((s) => [s.id, s]))
    job.steps.forEach((s, i) => {
      for (const need of s.needs)
        if (!has.has(need)) refuse(`there is no resource "${need}".`, `jobs.${j}.steps.${i}.needs`)
      for (const a of s.after)
        if (!steps.has(a))
          refuse(`there is no step "${a}" in this job.`, `jobs.${j}.steps.${i}.after`)
    })
    const state = new Map<string, 1 | 2>()
    const visit = (s: DayStep) => {
      if (state.get(s.id) === 2) return
      if (state.get(s.id) === 1) refuse(`"${s.id}" waits for itself.`, `jobs.${j}.steps`)
      state.set(s.id, 1)
      for (const a of s.after) visit(steps.get(a)!)
      state.set(s.id, 2)
    }
    job.steps.forEach(visit)
  })
  const known = (job: string, step: string) =>
    day.jobs.find((j) => j.id === job)?.steps.some((s) => s.id === step) ?? false
  day.running.forEach(
    (r, i) =>
      known(r.job, r.step) || refuse(`there is no step "${r.step}" of "${r.job}".`, `running.${i}`),
  )
  day.pinned.forEach(
    (r, i) =>
      known(r.job, r.step) || refuse(`there is no step "${r.step}" of "${r.job}".`, `pinned.${i}`),
  )
  day.done.forEach(
    (r, i) =>
      known(r.job, r.step) || refuse(`there is no step "${r.step}" of "${r.job}".`, `done.${i}`),
  )
  return day
}
