import { wrap, type Remote } from 'comlink'
import type { EffectsWorker } from './effects.worker'

interface Running {
  worker: Worker
  remote: Remote<EffectsWorker>
}

function begun(): Running {
  const worker = new Worker(new URL('./effects.worker.ts', import.meta.url), { type: 'module' })
  return { worker, remote: wrap<EffectsWorker>(worker) }
}

let live: Running | null = null
let search: Running | null = null
let shells: Running | null = null

/** The worker of this tab that answers while amounts run. */
export function effectsWorker(): Remote<EffectsWorker> {
  live ??= begun()
  return live.remote
}

/**
 * One for the shell at rest: while it reckons, the effects of a next change are told without
 * waiting.
 */
export function shellWorker(): Remote<EffectsWorker> {
  shells ??= begun()
  return shells.remote
}

/** Another for what takes a while, so that it can be stopped and holds nothing else up. */
export function searchWorker(): Remote<EffectsWorker> {
  search ??= begun()
  return search.remote
}

/** Stops the search under way: its answers never come, the next one starts afresh. */
export function stopSearch(): void {
  search?.worker.terminate()
  search = null
}
