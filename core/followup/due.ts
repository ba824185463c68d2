import { firstAdultDay } from '../measure/ageAtVisit'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES } from '../tables/vocabulary'
import { fitGrowth, lengthOn, outgrown, type LengthAt, type WornInside } from './growth'
import { momentsOf } from './outcomes'
import type { BenchStep } from '../bench/jobSteps'
import type { DueKind } from '../tables/reminderTexts'
import { addDays, daysBetween } from '../record/isoDay'

export interface DueItem {
  kind: DueKind
  /** what it is among all of its fitting, whatever its day: what was done about it stays with it */
  key: string
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
  /** the steps of its job, where they are known */
  steps?: readonly Pick<BenchStep, 'state' | 'entry'>[] | undefined
  /** another pair for the same is handed over since: this one is outgrown by nobody any more */
  isReplaced?: boolean | undefined
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
  { lengths = {}, inside = {}, steps = [], isReplaced = false }: DueKnown = {},
): DueSpan[] {
  const norms = normsOf(record)
  const ahead = norms.dueDays
  const out: DueSpan[] = []
  const add = (kind: DueKind, about: string, on: string, words: string, tellUntil: string) => {
    const tellFrom = addDays(on, kind === 'uncollected' ? 0 : -ahead[kind])
    const key = `${kind} ${about}`
    if (tellFrom <= tellUntil) out.push({ kind, key, on, words, tellFrom, tellUntil })
  }
  const handover = record.handover
  if (handover?.on) {
    const moments = momentsOf(record)
    for (const [i, { moment, dueOn, answer }] of moments.entries()) {
      if (answer) continue
      // One question at a time: the next moment takes over as soon as it is told.
      const next = moments.slice(i + 1).map((m) => addDays(m.dueOn, -ahead.outcome - 1))
      const until = earliest(addDays(dueOn, ahead.letGo), ...next)
      add('outcome', moment.id, dueOn, `ask how it goes: ${moment.words}`, until)
    }
    const next = handover.nextVisitOn
    if (next && next > handover.on && !(record.followups ?? []).some((f) => f.on >= next))
      add('visit', next, next, 'next visit', addDays(next, ahead.letGo))
    const ends = handover.guaranteeUntil
    if (ends) add('guarantee', ends, ends, 'guarantee ends: anything left to put right?', ends)
  }
  const quote = record.quotes?.at(-1)
  if (quote?.answer === 'open' && !handover?.on) {
    const until = addDays(quote.validUntil, ahead.letGo)
    add('quote', quote.id, quote.validUntil, 'nobody answered the quote', until)
  }
  const isBack = handover?.on !== undefined || jobIsOver(steps)
  for (const { id, lab, answer } of isBack ? [] : (record.orders ?? []))
    if (answer.dueOn && answer.status === 'accepted')
      add('lab', id, answer.dueOn, `${lab} promised it`, addDays(answer.dueOn, ahead.letGo))
  const madeOn = handover?.on ? null : lastDoneOn(record, steps)
  if (madeOn) {
    const on = addDays(madeOn, ahead.uncollected)
    add('uncollected', madeOn, on, `made since ${madeOn}, not handed over`, addDays(on, 365))
  }
  const { bornOn, sex } = record.client ?? {}
  if (!bornOn || isReplaced) return out
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
        side,
        footwear.expected,
        `${side} footwear outgrown ${early(footwear.earliest)}`,
        lastAsChild,
      )
    if (remake?.expected)
      add(
        'remake',
        side,
        remake.expected,
        `${side} device or mould ${norms.outgrownMm.remakeMm} mm behind the foot ${early(remake.earliest)}`,
        lastAsChild,
      )
  }
  return out
}

const jobIsOver = (steps: readonly Pick<BenchStep, 'state'>[]): boolean =>
  steps.length > 0 && steps.every(({ state }) => state === 'done' || state === 'skipped')

/** The day on which the last step was done, where nothing is left to make; null else. */
function lastDoneOn(
  { footwear }: FittingRecord,
  steps: readonly Pick<BenchStep, 'state' | 'entry'>[],
): string | null {
  if (!jobIsOver(steps) || footwear?.chosen?.work.some(({ state }) => state === 'planned'))
    return null
  const days = steps.flatMap(({ entry }) => entry?.doneAt?.slice(0, 10) ?? [])
  return days.sort().at(-1) ?? null
}

/**
 * Is a pair that was handed over replaced by a later one for the same? Then nothing of it is outgrown any more: the
 * new one has its own day.
 */
export function isReplaced(record: FittingRecord, others: readonly FittingRecord[]): boolean {
  const on = record.handover?.on
  if (!on) return false
  return others.some(
    (other) =>
      other.handover?.on !== undefined &&
      other.handover.on > on &&
      !other.handover.footwearBackOn &&
      other.footwear?.chosen !== undefined &&
      other.story?.activity === record.story?.activity,
  )
}

/** What is due on a day, soonest first. */
export const dueOf = (record: FittingRecord, today: string, known: DueKnown = {}): DueItem[] =>
  dueSpans(record, known)
    .filter(({ tellFrom, tellUntil }) => tellFrom <= today && today <= tellUntil)
    .map(({ kind, key, on, words }) => ({ kind, key, on, words, lateDays: daysBetween(on, today) }))
    .sort((a, b) => (a.on < b.on ? -1 : 1))
