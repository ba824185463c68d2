import { wrap, type Remote } from 'comlink'
import type { Unit } from '../../core/formats/mesh/meshFile'
import type { ScanRead, ScanWorker } from './scan.worker'

/** Reads one scan in a worker of its own; `cancel` ends it at once. */
export function readScan(name: string, bytes: Uint8Array, unit?: Unit): { done: Promise<ScanRead | null>; cancel: () => void } {
  const worker = new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' })
  const remote: Remote<ScanWorker> = wrap<ScanWorker>(worker)
  let cancel = () => worker.terminate()
  const cancelled = new Promise<null>((stop) => {
    cancel = () => {
      worker.terminate()
      stop(null)
    }
  })
  const failed = new Promise<ScanRead>((fail) => (worker.onerror = () => fail({ ok: false, words: 'This file could not be read: it may be too large for this device.' })))
  return { done: Promise.race([remote.read(name, bytes, unit), cancelled, failed]).finally(() => worker.terminate()), cancel }
}
