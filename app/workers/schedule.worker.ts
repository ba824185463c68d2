import { expose } from 'comlink'
import type { Day } from '../../core/bench/schedule/day'
import { schedule, type PlacedStep, type Schedule } from '../../core/bench/schedule/schedule'

/** Work of a re-plan: so little that a day-sized one answers at once; what is kept steers it. */
const QUICK_WORK = 2_000_000

const scheduleWorker = {
  plan: (day: Day, keep: PlacedStep[] | null, quick: boolean): Schedule => schedule(day, { ...(keep?.length && { keep }), ...(quick && { work: QUICK_WORK }) }),
}

export type ScheduleWorker = typeof scheduleWorker
expose(scheduleWorker)
