import { learnDurations, learnedMinutes, type StepTime } from '../../core/bench/durations'
import type { ShopTables } from '../../core/record/tables'
import type { BenchJobRow } from '../../shared/contracts'
import { localDay } from '../http/day'
import { stepsTook } from './bench'
import { freshest } from './freshest'
import { openJobs } from './openJobs'
import { database } from './pool'
import { currentTables } from './shopTables'

/** What a shop has to make, whatever the day: the same for everybody who asks at once. */
export interface BenchWork {
  tables: ShopTables
  times: StepTime[]
  jobs: BenchJobRow[]
}

/** The work of a shop by its id. */
export const benchWork = freshest(async (shopId: string): Promise<BenchWork> => {
  const db = database()
  const tables = await currentTables(db, shopId)
  const times = learnDurations(await stepsTook(db, shopId), tables.processes)
  const jobs = await openJobs(db, shopId, localDay(), tables, { learned: learnedMinutes(times) })
  return { tables, times, jobs }
})
