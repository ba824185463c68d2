import { SCAN_INSTRUMENT as SCAN } from '../tables/vocabulary'

type Entry = Record<string, unknown>
type KeyOf = (entry: Entry) => unknown[]

/** What makes an entry of a list the same one in two copies of it, by the list's name. */
const KEYS: Record<string, KeyOf> = {
  readings: (r) =>
    'minute' in r ? [r.minute, r.foot] : [r.what, r.posture, r.instrument === SCAN],
  complaints: (c) => [c.foot, c.at],
  pain: (p) => [p.foot, p.at],
  history: (h) => [h.kind, h.what, h.foot],
  clearances: (c) => [c.code, c.by, c.on],
  layers: (l) => [l.kind],
  posts: (p) => [p.at, p.style],
  marks: (m) => [m.kind, m.view, m.xMm, m.yMm],
  hotSpots: (s) => [s.view, s.xMm, s.yMm],
  corrections: (c) => [c.kind],
  versions: (v) => [v.at, v.words],
  orders: (o) => [o.id],
  quotes: (q) => [q.id],
  rounds: (r) => [r.no],
  jobs: (j) => [j.step, j.foot],
  followups: (f) => [f.on],
  ledger: (d) => [d.code, d.foot, d.about],
  asks: (a) => [a.what, a.foot],
  tryOns: (t) => [t.id],
  tryOn: (t) => [t.id],
  insole: (i) => [i.foot],
  work: (w) => [w.id],
  shellChecks: (c) => [c.at, c.foot, c.model, c.sizeMm],
  exercises: (e) => [e.what],
  takes: (t) => [t.at, t.way, t.scan],
  landmarks: (l) => [l.scan, l.name],
  // of a day's plan
  steps: (s) => [s.job, s.step],
  pinned: (p) => [p.job, p.step],
  devices: (d) => [d.name],
  moreChosen: (c) => [c.model],
  brought: (b) => [b.id],
  own: (o) => [o.id],
}

/** Lists of words that are sets: each word is an entry. */
const SETS: ReadonlySet<string> = new Set(['conditions', 'candidates', 'extra', 'onDuty'])

/**
 * Lists whose entries are one thing each: what two people wrote of one of them is never mixed, as
 * the trials of one with the struck ones of the other.
 */
export const WHOLE: ReadonlySet<string> = new Set([
  'readings',
  'jobs',
  'orders',
  'quotes',
  'rounds',
  'versions',
  'devices',
  'steps',
  'pinned',
])

/**
 * Keys of a list's entries, in its order; null for a list that is one value, as a point or a run of
 * trials. Two of one kind are told apart by their order: 'layers' may hold a pad twice.
 *
 * @param list name of the list, as `complaints`
 * @example entryKeys('complaints', [{ foot: 'left', at: 'heel' }]) // ['left heel']
 */
export function entryKeys(list: string, entries: readonly unknown[]): string[] | null {
  const keyOf = KEYS[list]
  if (!keyOf && !SETS.has(list)) return null
  const seen = new Map<string, number>()
  return entries.map((entry) => {
    const words = keyOf ? keyOf(entry as Entry) : [entry]
    const key = words
      .map((word) => (word === undefined ? '' : String(word)))
      .join(' ')
      .trim()
    const count = (seen.get(key) ?? 0) + 1
    seen.set(key, count)
    return count === 1 ? key : `${key} ${count}`
  })
}
