import type { Command } from '../../core/record/commands'
import type { PartName } from '../../core/record/parts'
import type { ScanRow } from '../../shared/contracts'
import { deviceStore, type Sealed } from './deviceStore'
import { canSeal, closeBytes, openBytes, seal, unseal } from './sealing'

interface Waits {
  id: string
  /** who typed it: nobody else sends it */
  person: string
  order: number
  words: string
  /** when it was made, by this device's clock, ms */
  madeAt?: number
  /** why the server would not keep it; it stays until somebody decides */
  refused?: string
}

/** A change of a fitting's part that the server has not confirmed yet. */
export interface Pending extends Waits {
  fittingId: string
  /** whose fitting it is, in words: what waits is read from any page */
  about?: string | undefined
  part: PartName
  version: number
  command: Command
  /** the part before and after it, as its maker saw them */
  before: unknown
  after: unknown
  /** somebody else changed the same thing: it waits for a choice */
  met?: boolean
}

/** Anything else that was typed: one call of the server, known by its id. */
export interface Request extends Waits {
  method: 'POST' | 'PUT' | 'PATCH' | 'DELETE'
  path: string
  body: unknown
}

/** A scan on its way to the server. Its bytes lie beside it; it is known by the scan's own id. */
export interface WaitingScan extends Waits {
  fittingId: string
  /** as the lists show it until the server has it */
  row: ScanRow
}

/** What can be taken back and done again in one fitting; kept on this device until sign-out. */
export interface History {
  fittingId: string
  undo: { part: PartName; before: unknown; words: string }[]
  redo: { part: PartName; before: unknown; words: string }[]
}

/** Without a cipher nothing is written down: it waits as long as the page is open. */
const inMemory = new Map<string, { row: Omit<Sealed, 'box'>; value: unknown }>()

async function put(row: Omit<Sealed, 'box'>, value: unknown): Promise<void> {
  if (!canSeal())
    return void inMemory.set(row.id, { row, value: JSON.parse(JSON.stringify(value)) })
  await deviceStore.put({ ...row, box: await seal(value) })
}
async function drop(id: string): Promise<void> {
  inMemory.delete(id)
  if (canSeal()) await deviceStore.drop(id)
}
/** Everything of one kind that this person's key opens, in the order in which it was typed. */
async function all<T>(person: string, kind: Sealed['kind']): Promise<T[]> {
  if (!canSeal())
    return [...inMemory.values()]
      .filter(({ row }) => row.kind === kind && row.person === person)
      .sort((a, b) => a.row.order - b.row.order)
      .map((m) => m.value as T)
  const rows = (await deviceStore.ofPerson(person)).filter((row) => row.kind === kind)
  rows.sort((a, b) => a.order - b.order)
  const opened = await Promise.all(rows.map((row) => unseal(row.box)))
  return opened.filter((value) => value !== null) as T[]
}

const rowOf = ({ id, person, order }: Waits, kind: Sealed['kind']) => ({ id, person, kind, order })

/** Keeps a change until it is confirmed. */
export const keepPending = (item: Pending) => put(rowOf(item, 'change'), item)
export const keepRequest = (item: Request) => put(rowOf(item, 'request'), item)
export const dropKept = drop
export const pendingOf = (person: string): Promise<Pending[]> => all(person, 'change')
export const requestsOf = (person: string): Promise<Request[]> => all(person, 'request')

const bytesId = (id: string) => `${id} bytes`
const bytesInMemory = new Map<string, Uint8Array<ArrayBuffer>>()

/** Keeps a file until it is confirmed: what is known of it and its bytes, both or none. */
export async function keepFile(item: WaitingScan, bytes: Uint8Array<ArrayBuffer>): Promise<void> {
  if (!canSeal()) {
    bytesInMemory.set(item.id, bytes)
    return keepFileRow(item)
  }
  const boxes = await Promise.all([seal(item), closeBytes(bytes)])
  await deviceStore.putAll([
    { ...rowOf(item, 'file'), box: boxes[0] },
    { ...rowOf(item, 'bytes'), id: bytesId(item.id), box: boxes[1] },
  ])
}
/** What is known of a file, without its bytes, anew. */
export const keepFileRow = (item: WaitingScan) => put(rowOf(item, 'file'), item)
/** The bytes of a file that waits; null where they are gone, or closed by another key. */
export async function bytesOfFile({ id }: WaitingScan): Promise<Uint8Array<ArrayBuffer> | null> {
  if (!canSeal()) return bytesInMemory.get(id) ?? null
  const row = await deviceStore.one(bytesId(id))
  return row ? openBytes(row.box) : null
}
export const filesOf = (person: string): Promise<WaitingScan[]> => all(person, 'file')
export async function dropFile(id: string): Promise<void> {
  await drop(id)
  bytesInMemory.delete(id)
  if (canSeal()) await deviceStore.drop(bytesId(id))
}

/** How many changes of other people wait on this device, or of one's own that no key here opens. */
export async function closedCount(person: string): Promise<{ others: number; own: number }> {
  const isChange = ({ kind }: Pick<Sealed, 'kind'>) =>
    kind === 'change' || kind === 'request' || kind === 'file'
  if (!canSeal()) {
    const rows = [...inMemory.values()].map(({ row }) => row).filter(isChange)
    return { others: rows.filter((row) => row.person !== person).length, own: 0 }
  }
  const rows = (await deviceStore.all()).filter(isChange)
  const own = rows.filter((row) => row.person === person)
  const opened = await Promise.all(own.map((row) => unseal(row.box)))
  return {
    others: rows.length - own.length,
    own: opened.filter((value) => value === null).length,
  }
}

/**
 * Changes that an earlier version of the page kept legible: sealed now, as this person's. What was
 * there before they were made is not known, so that a whole part is asked about where somebody else
 * has written it since.
 */
export async function sealLegible(person: string): Promise<void> {
  if (!canSeal()) return
  const old = (await deviceStore.legible()) as (Omit<Pending, 'person'> & { person?: string })[]
  for (const item of old) {
    const { command } = item
    const after = command.kind === 'part.put' ? command.content : undefined
    await keepPending({ ...item, person, before: undefined, after } as Pending)
  }
  if (old.length) await deviceStore.dropLegible()
}

const historyId = (person: string, fittingId: string) => `${person} ${fittingId}`
export const keepHistory = (person: string, history: History) =>
  put(
    {
      id: historyId(person, history.fittingId),
      person,
      kind: 'history',
      order: 0,
    },
    history,
  )
export const historyOf = async (person: string, fittingId: string) =>
  (await all<History>(person, 'history')).find((h) => h.fittingId === fittingId)
/** Forgets what could be taken back, in every fitting. */
export async function dropHistory(person: string): Promise<void> {
  const rows = canSeal()
    ? await deviceStore.ofPerson(person)
    : [...inMemory.values()].map(({ row }) => row).filter((row) => row.person === person)
  for (const row of rows) if (row.kind === 'history') await drop(row.id)
}
