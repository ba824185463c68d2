import { normsOf } from '../record/tables'
import type { Complaint, FittingRecord } from '../record/schema'

/**
 * Pain at one place of one foot over time; the first point is the story's or the handover's value.
 */
export interface PainSeries {
  foot: Complaint['foot']
  at: Complaint['at']
  points: { on: string; score: number }[]
  /** last less first; null with one point */
  change: number | null
  verdict: 'better' | 'worse' | 'no change' | 'first value'
}

/**
 * Pain by place and date against the value at handover (the last one on or before it, else the
 * first): a change below what the table of norms believes (house 2 points) is 'no change'.
 *
 * For instance `painSeries(record)[0].verdict` is 'better' for 6 → 4
 */
export function painSeries(record: FittingRecord): PainSeries[] {
  const start = record.visit?.on ?? '0000-00-00'
  const byPlace = new Map<string, PainSeries>()
  const add = (foot: Complaint['foot'], at: Complaint['at'], on: string, score: number) => {
    const key = `${foot}/${at}`
    const series = byPlace.get(key) ?? {
      foot,
      at,
      points: [],
      change: null,
      verdict: 'first value' as const,
    }
    const same = series.points.find((p) => p.on === on)
    if (same) same.score = score
    else series.points.push({ on, score })
    byPlace.set(key, series)
  }
  for (const c of record.story?.complaints ?? [])
    if (c.score !== undefined) add(c.foot, c.at, start, c.score)
  for (const f of [...(record.followups ?? [])].sort((a, b) => (a.on < b.on ? -1 : 1)))
    for (const p of f.pain) add(p.foot, p.at, f.on, p.score)
  const counts = normsOf(record).painChange
  const handover = record.handover?.on
  for (const series of byPlace.values()) {
    series.points.sort((a, b) => (a.on < b.on ? -1 : 1))
    const base =
      (handover && series.points.filter((p) => p.on <= handover).at(-1)) || series.points[0]!
    const last = series.points.at(-1)!
    if (last === base) continue
    series.change = last.score - base.score
    series.verdict =
      Math.abs(series.change) < counts ? 'no change' : series.change < 0 ? 'better' : 'worse'
  }
  return [...byPlace.values()]
}
