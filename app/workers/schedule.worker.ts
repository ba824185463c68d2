import { expose } from 'comlink'
import type { Day } from '../../core/bench/schedule/day'
import {
  QUICK_WORK,
  schedule,
  type PlacedStep,
  type Schedule,
} from '../../core/bench/schedule/schedule'

const scheduleWorker = {
  plan: (day: Day, keep: PlacedStep[] | null, quick: boolean): Schedule =>
    schedule(day, { ...(keep?.length && { keep }), ...(quick && { work: QUICK_WORK }) }),
}

export type ScheduleWorker = typeof scheduleWorker
expose(scheduleWorker)
