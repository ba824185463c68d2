import { getQuery } from 'h3'
import { handsLeftMin } from '../../../core/bench/jobSteps'
import { belongsToDay, type JobDay } from '../../../core/bench/jobsOfDay'
import type { BenchJobRow, BenchState, PlanRow } from '../../../shared/contracts'
import { readPlan } from '../../database/bench'
import { benchWork } from '../../database/benchWork'
import { benchPeople } from '../../database/people'
import { database } from '../../database/pool'
import { isoDay } from '../../../core/record/isoDay'
import { visitsBetween } from '../../database/visits'
import { dayBounds, localDay } from '../../http/day'
import { HttpProblem } from '../../http/problem'
import { route } from '../../http/route'

/** So many jobs come with their steps, the promised first, and all of the day's. */
const WITH_STEPS = 200

/** Jobs far from this day without their steps: thousands of them would be half the answer. */
function cutSteps(jobs: readonly BenchJobRow[], day: JobDay, plan: PlanRow): BenchJobRow[] {
  if (jobs.length <= WITH_STEPS) return [...jobs]
  const placed = new Set(plan.plan.steps.map((step) => step.job))
  const coming = new Set(day.visits.map((visit) => visit.job))
  const isNear = (job: BenchJobRow) =>
    placed.has(job.id) ||
    belongsToDay(job, { ...day, visits: coming.has(job.id) ? [{ job: job.id }] : [] })
  return jobs.map((job, i) =>
    i < WITH_STEPS || isNear(job) ? job : { ...job, steps: [], handsMin: handsLeftMin(job.steps) },
  )
}

/**
 * A day at the bench: jobs with their steps, visits, who is there, the kept plan. A bench hand sees
 * codes, no names and no reasons.
 */
export default route(
  { permission: 'bench.see' },
  async ({ event, person }): Promise<BenchState> => {
    const day = String(getQuery(event).day ?? localDay())
    const at = new Date(`${day}T12:00`)
    if (!isoDay.safeParse(day).success)
      throw new HttpProblem(400, 'bad-day', 'Write the day as YYYY-MM-DD.', { path: 'day' })
    const db = database()
    const [{ tables, times, jobs: all }, visits, people, plan] = await Promise.all([
      benchWork(person.shopId),
      visitsBetween(db, person.shopId, ...dayBounds(at)),
      benchPeople(db, person.shopId),
      readPlan(db, person.shopId, day),
    ])
    const named = person.role !== 'bench'
    const jobs = cutSteps(
      all,
      {
        day,
        isToday: day === localDay(),
        visits: visits.map((visit) => ({ job: visit.fittingId })),
        byHand: plan.plan.jobs,
      },
      plan,
    )
    return {
      day,
      today: localDay(),
      resources: tables.benchResources,
      processes: tables.processes,
      people,
      times,
      plan,
      jobs: named ? jobs : jobs.map((j) => ({ ...j, name: null })),
      visits: visits.map((v) => ({
        id: v.id,
        job: v.fittingId,
        code: v.code,
        name: named ? v.name : null,
        startsAt: v.startsAt,
        minutes: v.minutes,
        state: v.state,
        reason: named ? v.reason : '',
      })),
    }
  },
)
