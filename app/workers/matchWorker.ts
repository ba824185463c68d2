import { wrap, type Remote } from 'comlink'
import type { MatchWorker } from './match.worker'

let worker: Remote<MatchWorker> | null = null

/** The one match worker of this browser tab. */
export function matchWorker(): Remote<MatchWorker> {
  worker ??= wrap<MatchWorker>(
    new Worker(new URL('./match.worker.ts', import.meta.url), { type: 'module' }),
  )
  return worker
}
