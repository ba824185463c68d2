import { firstAdultDay } from '../measure/ageAtVisit'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES } from '../tables/vocabulary'
import { fitGrowth, lengthOn, outgrown, type LengthAt, type WornInside } from './growth'
import { momentsOf } from './outcomes'
import { addDays, daysBetween } from '../record/isoDay'

export interface DueItem {
  kind: 'outcome' | 'visit' | 'outgrown' | 'remake' | 'guarantee'
  on: string
  words: string
  /** days since; below zero it is still to come */
  lateDays: number
}

/** Something due on a day, and the first and last day on which it is told. */
export interface DueSpan extends Omit<DueItem, 'lateDays'> {
  tellFrom: string
  tellUntil: string
}

/** What is known beside the record: a child's lengths and the shells' insides. */
export interface DueKnown {
  /** all lengths of a child's feet that the shop has, by side */
  lengths?: { left?: LengthAt[]; right?: LengthAt[] } | undefined
  /** the chosen footwear, by side */
  inside?: { left?: WornInside; right?: WornInside }
}

const earliest = (...days: string[]): string => days.reduce((a, b) => (b < a ? b : a))

/**
 * Everything that will be due for one fitting: how it goes at its moments, the next visit, a child's
 * footwear or mould that is outgrown, a guarantee that ends. Nothing of it depends on the day it is,
 * so that it can be kept and asked for by day.
 */
export function dueSpans(
  record: FittingRecord,
  { lengths = {}, inside = {} }: DueKnown = {},
): DueSpan[] {
  const norms = normsOf(record)
  const ahead = norms.dueDays
  const out: DueSpan[] = []
  const add = (kind: DueItem['kind'], on: string, words: string, tellUntil: string) => {
    const tellFrom = addDays(on, -ahead[kind])
    if (tellFrom <= tellUntil) out.push({ kind, on, words, tellFrom, tellUntil })
  }
  const handover = record.handover
  if (handover?.on) {
    const moments = momentsOf(record)
    for (const [i, { moment, dueOn, answer }] of moments.entries()) {
      if (answer) continue
      // One question at a time: the next moment takes over as soon as it is told.
      const next = moments.slice(i + 1).map((m) => addDays(m.dueOn, -ahead.outcome - 1))
      const until = earliest(addDays(dueOn, ahead.letGo), ...next)
      add('outcome', dueOn, `ask how it goes: ${moment.words}`, until)
    }
    const next = handover.nextVisitOn
    if (next && next > handover.on && !(record.followups ?? []).some((f) => f.on >= next))
      add('visit', next, 'next visit', addDays(next, ahead.letGo))
    const ends = handover.guaranteeUntil
    if (ends) add('guarantee', ends, 'guarantee ends: anything left to put right?', ends)
  }
  const { bornOn, sex } = record.client ?? {}
  if (!bornOn) return out
  const lastAsChild = addDays(firstAdultDay(bornOn), -1)
  for (const side of SIDES) {
    const own = lengths[side] ?? []
    const fit = fitGrowth(own, bornOn, sex, norms)
    if (!fit) continue
    const madeAtMm = handover?.on ? lengthOn(fit, handover.on).lengthMm : undefined
    const known = { inside: inside[side], madeAtMm }
    const { footwear, remake } = outgrown(fit, own.at(-1)!.on, known, norms)
    const early = (day: string | null) => `(as early as ${day}), estimate`
    if (footwear?.expected)
      add(
        'outgrown',
        footwear.expected,
        `${side} footwear outgrown ${early(footwear.earliest)}`,
        lastAsChild,
      )
    if (remake?.expected)
      add(
        'remake',
        remake.expected,
        `${side} device or mould ${norms.outgrownMm.remakeMm} mm behind the foot ${early(remake.earliest)}`,
        lastAsChild,
      )
  }
  return out
}

/** What is due on a day, soonest first. */
export const dueOf = (record: FittingRecord, today: string, known: DueKnown = {}): DueItem[] =>
  dueSpans(record, known)
    .filter(({ tellFrom, tellUntil }) => tellFrom <= today && today <= tellUntil)
    .map(({ kind, on, words }) => ({ kind, on, words, lateDays: daysBetween(on, today) }))
    .sort((a, b) => (a.on < b.on ? -1 : 1))
