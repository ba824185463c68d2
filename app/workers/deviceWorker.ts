import { wrap, type Remote } from 'comlink'
import type { DeviceWorker } from './device.worker'

let worker: Remote<DeviceWorker> | null = null

/** The one device worker of this browser tab. */
export function deviceWorker(): Remote<DeviceWorker> {
  worker ??= wrap<DeviceWorker>(
    new Worker(new URL('./device.worker.ts', import.meta.url), { type: 'module' }),
  )
  return worker
}

/**
 * Runs a task so that the newest request wins: while one runs, only the latest of those that follow
 * is kept; stale answers are dropped.
 */
export function newestWins<A, R>(
  task: (args: A) => Promise<R>,
  done: (result: R) => void,
): (args: A) => void {
  let running = false
  let waiting: { args: A } | null = null
  const run = async (args: A) => {
    running = true
    try {
      const result = await task(args)
      if (!waiting) done(result)
    } finally {
      running = false
      const next = waiting as { args: A } | null
      waiting = null
      if (next) void run(next.args)
    }
  }
  return (args) => {
    if (running) waiting = { args }
    else void run(args)
  }
}
