import { sameJson } from './sameJson'

/** By whom and when something was written. */
export interface Stamp {
  by: string
  /** ISO time */
  at: string
}

interface StampFields {
  /** fields that hold a name */
  who: readonly string[]
  /** fields that hold the time of the entry's last change */
  when?: readonly string[]
  /** fields that hold a time of their own: what is new in them is now */
  times?: readonly string[]
  /** only entries with this field carry a stamp */
  only?: string
}

/**
 * Entries that carry who wrote them and when, by the name of their list or field. Whoever keeps the
 * record fills these in; what a caller says in them is ignored.
 */
export const STAMPS: Readonly<Record<string, StampFields>> = {
  ledger: { who: ['by'], when: ['at'] },
  clearances: { who: ['recordedBy'] },
  jobs: { who: ['by'], when: ['at'], times: ['startedAt', 'doneAt'] },
  // Minutes of a try-on are called readings too, and carry none.
  readings: { who: ['by'], when: ['at'], only: 'what' },
  takes: { who: ['by'] },
  overruled: { who: ['by'], when: ['at'] },
  quotes: { who: ['by'] },
  rounds: { who: ['by'] },
  work: { who: ['by'], times: ['doneAt'] },
  // The technician is somebody else than whoever writes it down.
  binding: { who: ['recordedBy'], when: ['testedAt'] },
  shellChecks: { who: ['by'] },
  tryOns: { who: ['by'] },
}

type Entry = Record<string, unknown>
const isEntry = (value: unknown): value is Entry =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

const fieldsOf = (name: string, value: unknown): StampFields | null => {
  const fields = STAMPS[name]
  return fields && isEntry(value) && (!fields.only || fields.only in value) ? fields : null
}
/** Names of the fields in which an entry of a list carries who wrote it and when. */
export function stampFields(name: string, value: unknown): readonly string[] {
  const fields = fieldsOf(name, value)
  return fields ? [...fields.who, ...(fields.when ?? [])] : []
}
/** An entry of a list as it is without who wrote it and when. */
export function withoutStamp(name: string, value: unknown): unknown {
  const fields = stampFields(name, value)
  return fields.length === 0
    ? value
    : Object.fromEntries(Object.entries(value as Entry).filter(([key]) => !fields.includes(key)))
}

/** The entry of before that this one is: the same, else the one about the same thing. */
function formerOf(
  name: string,
  entry: Entry,
  before: readonly unknown[],
  about: readonly string[],
) {
  const bare = withoutTimes(name, entry)
  return (
    before.find((former) => sameJson(withoutTimes(name, former), bare)) ??
    before.find((former) => isEntry(former) && about.every((key) => former[key] === entry[key]))
  )
}
function withoutTimes(name: string, value: unknown): unknown {
  const bare = withoutStamp(name, value)
  const times = STAMPS[name]?.times ?? []
  return isEntry(bare)
    ? Object.fromEntries(Object.entries(bare).filter(([key]) => !times.includes(key)))
    : bare
}
/** What an entry is about, where it is not found as it was. */
const ABOUT: Readonly<Record<string, readonly string[]>> = {
  ledger: ['code', 'foot', 'about'],
  clearances: ['code', 'by', 'on'],
  jobs: ['step', 'foot'],
  readings: ['what', 'posture', 'instrument'],
  quotes: ['id'],
  work: ['id'],
  tryOns: ['id'],
}

function stampEntry(
  name: string,
  entry: Entry,
  former: Entry | undefined,
  { by, at }: Stamp,
): Entry {
  const { who, when = [], times = [] } = STAMPS[name]!
  const asItWas =
    former !== undefined && sameJson(withoutTimes(name, former), withoutTimes(name, entry))
  const given: Entry = {}
  for (const field of who) given[field] = asItWas ? former[field] : by
  for (const field of when) given[field] = asItWas ? former[field] : at
  for (const field of times) {
    if (entry[field] === undefined) continue
    given[field] = asItWas || entry[field] === former?.[field] ? former?.[field] : at
  }
  const stamped = Object.entries({ ...entry, ...given })
  return Object.fromEntries(stamped.filter(([, value]) => value !== undefined))
}

/**
 * Content of a part with the stamps that its keeper gives: what stands as it did keeps the stamp it
 * had, what is new or changed takes this one. Nobody writes in another's name, or at another time.
 *
 * @param name of the part or list, as in `STAMPS`
 * @param before content as it is kept, undefined where there is none yet
 * @example
 *   stampContent('ledger', [], [{ code: 'a', by: 'Somebody' }], { by: 'Ada', at: '2026-11-29T09:00:00Z' })
 *   // [{ code: 'a', by: 'Ada', at: '2026-11-29T09:00:00Z' }]
 */
export function stampContent(name: string, before: unknown, after: unknown, stamp: Stamp): unknown {
  if (Array.isArray(after)) {
    const former = Array.isArray(before) ? (before as unknown[]) : []
    return after.map((entry: unknown) => {
      const one = isEntry(entry) ? formerOf(name, entry, former, ABOUT[name] ?? ['id']) : undefined
      return stampOne(name, one, entry, stamp)
    })
  }
  return stampOne(name, before, after, stamp)
}
function stampOne(name: string, before: unknown, after: unknown, stamp: Stamp): unknown {
  if (!isEntry(after)) return after
  const former = isEntry(before) ? before : undefined
  const inner = Object.fromEntries(
    Object.entries(after).map(([key, value]) => [
      key,
      typeof value === 'object' && value !== null
        ? stampContent(key, former?.[key], value, stamp)
        : value,
    ]),
  )
  return fieldsOf(name, inner) ? stampEntry(name, inner, former, stamp) : inner
}
