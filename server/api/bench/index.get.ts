import { getQuery } from 'h3'
import { learnDurations, learnedMinutes } from '../../../core/bench/durations'
import type { BenchState } from '../../../shared/contracts'
import { readPlan, stepsTook } from '../../database/bench'
import { openJobs } from '../../database/openJobs'
import { currentTables } from '../../database/shopTables'
import { benchPeople } from '../../database/people'
import { database } from '../../database/pool'
import { isoDay } from '../../../core/record/isoDay'
import { visitsBetween } from '../../database/visits'
import { dayBounds, localDay } from '../../http/day'
import { HttpProblem } from '../../http/problem'
import { route } from '../../http/route'

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
    const tables = await currentTables(db, person.shopId)
    const times = learnDurations(await stepsTook(db, person.shopId), tables.processes)
    const [jobs, visits, people, plan] = await Promise.all([
      openJobs(db, person.shopId, localDay(), tables, { learned: learnedMinutes(times) }),
      visitsBetween(db, person.shopId, ...dayBounds(at)),
      benchPeople(db, person.shopId),
      readPlan(db, person.shopId, day),
    ])
    const named = person.role !== 'bench'
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
