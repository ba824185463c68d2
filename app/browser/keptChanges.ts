import { plainCopy } from '~/browser/plainCopy'
import { openDB, type DBSchema } from 'idb'
import type { Command } from '../../core/record/commands'
import type { PartName } from '../../core/record/parts'

/**
 * A change that the server has not confirmed yet. It waits in the browser's own database until it
 * has.
 */
export interface Pending {
  id: string
  order: number
  fittingId: string
  part: PartName
  version: number
  command: Command
  words: string
}

/**
 * What can be taken back and done again in one fitting; kept on this device until sign-out, so that
 * a reload loses nothing.
 */
export interface History {
  fittingId: string
  undo: { part: PartName; before: unknown; words: string }[]
  redo: { part: PartName; before: unknown; words: string }[]
}

interface Shape extends DBSchema {
  pending: { key: string; value: Pending; indexes: { byFitting: string } }
  history: { key: string; value: History }
}

const open = () =>
  openDB<Shape>('gentle-arch', 2, {
    upgrade(db, from) {
      if (from < 1)
        db.createObjectStore('pending', { keyPath: 'id' }).createIndex('byFitting', 'fittingId')
      if (from < 2) db.createObjectStore('history', { keyPath: 'fittingId' })
    },
  })

/**
 * Keeps a change until it is confirmed; a browser that forbids its database loses only this safety.
 */
export const keepPending = async (item: Pending) =>
  void (await (await open()).put('pending', plainCopy(item) as Pending))
export const dropPending = async (id: string) => void (await (await open()).delete('pending', id))
export async function pendingOf(fittingId: string): Promise<Pending[]> {
  const items = await (await open()).getAllFromIndex('pending', 'byFitting', fittingId)
  return items.sort((a, b) => a.order - b.order)
}

export const keepHistory = async (history: History) =>
  void (await (await open()).put('history', plainCopy(history) as History))
export const historyOf = async (fittingId: string): Promise<History | undefined> =>
  (await open()).get('history', fittingId)
/** Forgets what could be taken back, in every fitting. */
export const dropHistory = async () => void (await (await open()).clear('history'))
