import { getQuery, setResponseHeader } from 'h3'
import { handsLeftMin } from '../../../core/bench/jobSteps'
import { resourcesAt } from '../../../core/tables/benchResources'
import { belongsToDay, type JobDay } from '../../../core/bench/jobsOfDay'
import type { BenchJobRow, BenchState, PlanRow } from '../../../shared/contracts'
import { readPlan } from '../../database/bench'
import { benchWork } from '../../database/benchWork'
import { benchPeople } from '../../database/people'
import { freshest } from '../../database/freshest'
import type { At } from '../../database/places'
import { database } from '../../database/pool'
import { isoDay } from '../../../core/record/isoDay'
import { isHeld, visitsBetween } from '../../database/visits'
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

interface Asked extends At {
  day: string
  /** with names and reasons */
  named: boolean
}

/** The answer as it is sent: thousands of jobs are put into words once for all who ask at once. */
const answerOf = freshest(async ({ day, named, ...at }: Asked): Promise<string> => {
  const db = database()
  const [{ tables, times, jobs: all }, booked, people, plan] = await Promise.all([
    benchWork(at.shopId),
    visitsBetween(db, at, ...dayBounds(new Date(`${day}T12:00`))),
    benchPeople(db, at, day),
    readPlan(db, at, day),
  ])
  const visits = booked.filter(isHeld)
  const jobs = cutSteps(
    all.filter((job) => job.placeId === at.placeId),
    {
      day,
      isToday: day === localDay(),
      visits: visits.map((visit) => ({ job: visit.fittingId })),
      byHand: plan.plan.jobs,
    },
    plan,
  )
  const state: BenchState = {
    day,
    today: localDay(),
    resources: resourcesAt(tables.benchResources, at.placeId),
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
  return JSON.stringify(state)
})

/**
 * A day at this place's bench: jobs with their steps, visits, who is there, the kept plan. A bench hand sees
 * codes, no names and no reasons.
 */
export default route({ permission: 'bench.see' }, ({ event, person }): Promise<string> => {
  const day = String(getQuery(event).day ?? localDay())
  if (!isoDay.safeParse(day).success)
    throw new HttpProblem(400, 'bad-day', 'Write the day as YYYY-MM-DD.', { path: 'day' })
  setResponseHeader(event, 'content-type', 'application/json')
  const { shopId, placeId, role } = person
  return answerOf({ shopId, placeId, day, named: role !== 'bench' })
})
