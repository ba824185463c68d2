import { openDB, type DBSchema } from 'idb'
import type { Command } from '../../core/record/commands'
import type { PartName } from '../../core/record/parts'

/** A change that the server has not confirmed yet. It waits in the browser's own database until it has. */
export interface Pending {
  id: string
  order: number
  fittingId: string
  part: PartName
  version: number
  command: Command
  words: string
}

interface Shape extends DBSchema {
  pending: { key: string; value: Pending; indexes: { byFitting: string } }
}

const open = () =>
  openDB<Shape>('gentle-arch', 1, {
    upgrade(db) {
      db.createObjectStore('pending', { keyPath: 'id' }).createIndex('byFitting', 'fittingId')
    },
  })

/** Keeps a change until it is confirmed; a browser that forbids its database loses only this safety. */
export const keepPending = async (item: Pending) => void (await (await open()).put('pending', JSON.parse(JSON.stringify(item)) as Pending))
export const dropPending = async (id: string) => void (await (await open()).delete('pending', id))
export async function pendingOf(fittingId: string): Promise<Pending[]> {
  const items = await (await open()).getAllFromIndex('pending', 'byFitting', fittingId)
  return items.sort((a, b) => a.order - b.order)
}
