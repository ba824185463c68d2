import { deviceStore, type Sealed } from './deviceStore'
import { openFor, seal, unseal } from './sealing'

/** So many answers are kept of a person, the newest; none for longer than this. */
const MOST = 120
const DAYS = 7
/** One answer in so many clears old ones away. */
const SWEEP_EVERY = 20
const DAY_MS = 86_400_000

/** What the server said last, and when. */
export interface LastAnswer<T = unknown> {
  answer: T
  /** ms since 1970, by this device's clock */
  at: number
}

const idOf = (person: string, path: string) => `${person} answer ${path}`
const answersOf = async (person: string) =>
  (await deviceStore.ofPerson(person)).filter((row) => row.kind === 'answer')

async function sweep(person: string) {
  const rows = (await answersOf(person)).sort((a, b) => b.order - a.order)
  const isOld = (row: Sealed, i: number) => i >= MOST || row.order < Date.now() - DAYS * DAY_MS
  for (const row of rows.filter(isOld)) await deviceStore.drop(row.id)
}

let kept = 0
/**
 * Keeps an answer, closed to everybody else, for when the line is down.
 *
 * @param asker whose key was open when it was asked for: what comes after they left is nobody's
 */
export async function rememberAnswer(
  path: string,
  answer: unknown,
  asker: string | null,
): Promise<void> {
  const person = openFor()
  if (!person || person !== asker) return
  const at = Date.now()
  const box = await seal({ answer, at } satisfies LastAnswer)
  await deviceStore.put({ id: idOf(person, path), person, kind: 'answer', order: at, box })
  if (kept++ % SWEEP_EVERY === 0) await sweep(person)
}

/** The last answer to the same question; null where there is none, or another key closed it. */
export async function lastAnswer<T>(path: string): Promise<LastAnswer<T> | null> {
  const person = openFor()
  const row = person && (await deviceStore.one(idOf(person, path)))
  return row ? ((await unseal(row.box)) as LastAnswer<T> | null) : null
}

/** One answer is no longer to be had, or all of a person who leaves. */
export const dropAnswer = async (path: string): Promise<void> => {
  const person = openFor()
  if (person) await deviceStore.drop(idOf(person, path))
}
export async function dropAnswers(person: string): Promise<void> {
  for (const row of await answersOf(person)) await deviceStore.drop(row.id)
}
