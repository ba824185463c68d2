import { wrap, type Remote } from 'comlink'
import type { ScheduleWorker } from './schedule.worker'

let worker: Worker | null = null
let remote: Remote<ScheduleWorker> | null = null

/** The one schedule worker of this browser tab. */
export function scheduleWorker(): Remote<ScheduleWorker> {
  worker ??= new Worker(new URL('./schedule.worker.ts', import.meta.url), { type: 'module' })
  remote ??= wrap<ScheduleWorker>(worker)
  return remote
}

/** Stops a plan that is being made; the next one begins in a worker of its own. */
export function stopScheduling(): void {
  worker?.terminate()
  worker = null
  remote = null
}
