import { proxy, wrap, type Remote } from 'comlink'
import type { Landmarks } from '../../core/capture/foot/landmarks'
import type { Unit } from '../../core/geometry/units'
import type { Norms } from '../../core/record/tables'
import type { Foot } from '../../core/record/schema'
import type { Side } from '../../core/tables/vocabulary'
import type { Analysis, ScanRead, ScanWorker } from './scan.worker'

type Say = (words: string, share: number) => void

/**
 * One scan in a worker of its own, kept open so that a moved landmark needs no second reading;
 * `end` stops it at once.
 */
export interface ScanSession {
  open: (
    name: string,
    bytes: Uint8Array,
    say: Say,
    unit?: Unit,
    side?: Side,
  ) => Promise<ScanRead | null>
  find: (say: Say, unit?: Unit, side?: Side) => Promise<ScanRead | null>
  capture: (
    side: Side,
    foot: Foot,
    moved: Landmarks,
    norms: Norms,
  ) => Promise<Analysis | { words: string } | null>
  end: () => void
}

/** Opens a worker for one scan. Every answer is null once it was ended. */
export function scanSession(): ScanSession {
  const worker = new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' })
  const remote: Remote<ScanWorker> = wrap<ScanWorker>(worker)
  let stop = () => {}
  const ended = new Promise<null>((done) => (stop = () => done(null)))
  const failed = new Promise<{ ok: false; words: string }>(
    (fail) =>
      (worker.onerror = () =>
        fail({
          ok: false,
          words: 'This file could not be read: it may be too large for this device.',
        })),
  )
  return {
    open: (name, bytes, say, unit, side) =>
      Promise.race([remote.open(name, bytes, unit, side, proxy(say)), ended, failed]),
    find: (say, unit, side) => Promise.race([remote.find(unit, side, proxy(say)), ended, failed]),
    capture: (side, foot, moved, norms) =>
      Promise.race([remote.capture(side, foot, moved, norms), ended, failed]),
    end: () => {
      worker.terminate()
      stop()
    },
  }
}
