import { addDays, daysBetween } from '../record/isoDay'
import { normsOf, type Norms } from '../record/tables'
import type { FittingRecord, Followup } from '../record/schema'

export type MomentId = keyof Norms['outcomeDays']

/** When a client is asked how it goes, soonest first. */
const MOMENTS = {
  twoWeeks: 'two weeks',
  sixWeeks: 'six weeks',
  season: 'season\u2019s end',
} as const

/** A moment at which a client is asked, in days after the handover. */
export interface OutcomeMoment {
  id: MomentId
  words: string
  /** asked on this day */
  days: number
  /** an answer counts for it from this day on */
  from: number
}

const moments = (outcomeDays: Norms['outcomeDays']): OutcomeMoment[] =>
  (Object.keys(MOMENTS) as MomentId[])
    .map((id) => ({ id, words: MOMENTS[id], ...outcomeDays[id] }))
    .sort((a, b) => a.from - b.from)

/** Which moment a day after the handover stands for; null before the first. */
export function momentOf(
  handedOverOn: string,
  on: string,
  { outcomeDays }: Pick<Norms, 'outcomeDays'>,
): OutcomeMoment | null {
  const days = daysBetween(handedOverOn, on)
  return moments(outcomeDays).findLast((m) => days >= m.from) ?? null
}

export interface MomentState {
  moment: OutcomeMoment
  dueOn: string
  answer: Followup | null
}

/** The three moments of a handed-over pair with what was answered. */
export function momentsOf(record: FittingRecord): MomentState[] {
  const on = record.handover?.on
  if (!on) return []
  const norms = normsOf(record)
  return moments(norms.outcomeDays).map((moment) => ({
    moment,
    dueOn: addDays(on, moment.days),
    answer:
      [...(record.followups ?? [])]
        .sort((a, b) => (a.on < b.on ? -1 : 1))
        .filter((f) => f.on > on && momentOf(on, f.on, norms)?.id === moment.id)
        .at(-1) ?? null,
  }))
}

export interface ComfortSeries {
  points: { on: string; comfort: number }[]
  /** last less the one at handover; null with one point */
  change: number | null
  /** smallest change that is believed, 0–100 scale */
  counts: number
  verdict: 'better' | 'worse' | 'no change' | 'first value'
}

/**
 * Comfort over time against the value at handover (the last on or before it, else the first), held
 * against the smallest believable change.
 */
export function comfortSeries(record: FittingRecord): ComfortSeries {
  const counts = normsOf(record).comfortChange
  const points = (record.followups ?? [])
    .filter((f) => f.comfort !== undefined)
    .map((f) => ({ on: f.on, comfort: f.comfort! }))
    .sort((a, b) => (a.on < b.on ? -1 : 1))
  const handover = record.handover?.on
  const base = (handover && points.filter((p) => p.on <= handover).at(-1)) || points[0]
  const last = points.at(-1)
  if (!base || !last || base === last)
    return { points, change: null, counts, verdict: 'first value' }
  const change = last.comfort - base.comfort
  return {
    points,
    change,
    counts,
    verdict: Math.abs(change) < counts ? 'no change' : change > 0 ? 'better' : 'worse',
  }
}
