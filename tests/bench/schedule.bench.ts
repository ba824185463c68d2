import { readFileSync } from 'node:fs'
import { bench, describe } from 'vitest'
import { bundled } from './bundled'
import type * as Core from './benchCore'

const core = await bundled<typeof Core>('benchCore')
/**
 * Days of forty jobs and some 260 steps, kept as files so that figures of different versions are of
 * the same days.
 */
const days = [1, 2, 3].map((seed) =>
  core.parseDay(
    JSON.parse(readFileSync(new URL(`./days/day-${seed}.json`, import.meta.url), 'utf8')),
  ),
)
const plans = days.map((day) => core.schedule(day))
/** Half past eleven: what began is running, one of it ten minutes late. */
const late = days.map((day, i) => {
  const now = '11:30'
  const running = plans[i]!.steps.filter((s) => s.start < now && s.end > now)
  const [slow] = running
  return core.parseDay({
    ...day,
    now,
    done: plans[i]!.steps.filter((s) => s.end <= now).map(({ job, step }) => ({ job, step })),
    running: running.map(({ job, step, start }) => ({ job, step, since: start })),
    jobs: day.jobs.map((j) => ({
      ...j,
      steps: j.steps.map((s) =>
        j.id === slow!.job && s.id === slow!.step ? { ...s, minutes: s.minutes + 10 } : s,
      ),
    })),
  })
})
for (const [i, p] of plans.entries())
  console.log(
    `day ${i + 1}: ${p.makespanMin} min long, at least ${p.lowerBoundMin}; clients wait ${p.clientWaitingMin}, at least ${p.waitingBoundMin}`,
  )

describe('schedule', () => {
  for (const [i, day] of days.entries())
    bench(`day ${i + 1}, 40 jobs (bar 2 s)`, () => void core.schedule(day), {
      iterations: 3,
      time: 0,
    })
  for (const [i, day] of late.entries())
    bench(
      `day ${i + 1} planned again, a step 10 min late (bar 300 ms)`,
      () => void core.schedule(day, { keep: plans[i]!.steps, work: core.QUICK_WORK }),
      { iterations: 10, time: 0 },
    )
})
