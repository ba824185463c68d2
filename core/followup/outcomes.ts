import { addDays, daysBetween } from '../record/isoDay'
import { normsOf } from '../record/tables'
import type { FittingRecord, Followup } from '../record/schema'

/**
 * When a client is asked how it goes, days after the handover (house defaults); an answer counts
 * for a moment from `from` on.
 */
const OUTCOME_MOMENTS = [
  { id: 'twoWeeks', words: 'two weeks', days: 14, from: 7 },
  { id: 'sixWeeks', words: 'six weeks', days: 42, from: 28 },
  { id: 'season', words: 'season\u2019s end', days: 150, from: 100 },
] as const
export type OutcomeMoment = (typeof OUTCOME_MOMENTS)[number]

/** Which moment a day after the handover stands for; null before the first. */
export function momentOf(handedOverOn: string, on: string): OutcomeMoment | null {
  const days = daysBetween(handedOverOn, on)
  return [...OUTCOME_MOMENTS].reverse().find((m) => days >= m.from) ?? null
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
  return OUTCOME_MOMENTS.map((moment) => ({
    moment,
    dueOn: addDays(on, moment.days),
    answer:
      [...(record.followups ?? [])]
        .sort((a, b) => (a.on < b.on ? -1 : 1))
        .filter((f) => f.on > on && momentOf(on, f.on)?.id === moment.id)
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
