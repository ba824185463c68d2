import type { BenchStep } from './jobSteps'

/** A job as far as its days go. */
export interface DatedJob {
  id: string
  steps: readonly Pick<BenchStep, 'state' | 'client'>[]
  /** days, YYYY-MM-DD */
  promisedOn?: string | undefined
  benchOn?: string | undefined
  /** somebody else looks first: nothing is made */
  blocked: boolean
}

/** A day at the bench as far as it decides which jobs belong to it. */
export interface JobDay {
  /** YYYY-MM-DD */
  day: string
  isToday: boolean
  visits: readonly { job: string }[]
  /** jobs put on this day (true) or taken off it (false) by hand */
  byHand: Readonly<Record<string, boolean>>
}

/**
 * Does a job belong to a day? What was put there or taken off by hand counts first, then the day it
 * is to be made on; else it belongs to the day it is promised for, to a day on which its client
 * comes for an open step, and to every day while a step of it runs. What was meant for an earlier
 * day belongs to today.
 */
export function belongsToDay(job: DatedJob, { day, isToday, visits, byHand }: JobDay): boolean {
  if (job.blocked) return false
  const put = byHand[job.id]
  if (put !== undefined) return put
  const reached = (on: string) => on === day || (isToday && on < day)
  if (job.benchOn) return reached(job.benchOn)
  const clientComes = job.steps.some((step) => step.client && step.state === 'open')
  return (
    (job.promisedOn !== undefined && reached(job.promisedOn)) ||
    (clientComes && visits.some((visit) => visit.job === job.id)) ||
    job.steps.some((step) => step.state === 'running')
  )
}

/** Jobs of a day, and those that are not. */
export function jobsOfDay<J extends DatedJob>(
  jobs: readonly J[],
  day: JobDay,
): { here: J[]; others: J[] } {
  const here = jobs.filter((job) => belongsToDay(job, day))
  const known = new Set(here)
  return { here, others: jobs.filter((job) => !known.has(job)) }
}
