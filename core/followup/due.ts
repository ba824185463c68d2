import { isChild } from '../measure/ageAtVisit'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES } from '../tables/vocabulary'
import { fitGrowth, lengthOn, outgrown, type LengthAt } from './growth'
import { momentsOf } from './outcomes'
import { daysBetween } from '../record/isoDay'

export interface DueItem {
  kind: 'outcome' | 'visit' | 'outgrown' | 'remake' | 'guarantee'
  on: string
  words: string
  /** days since; below zero it is still to come */
  lateDays: number
}

/**
 * What is due for one fitting: how it goes at two weeks, six weeks and season's end, the next
 * visit, a child's footwear or mould that is outgrown, a guarantee that ends. Soonest first.
 *
 * @param lengths all lengths of a child's feet that the shop has, by side
 * @param insideMm usable inside length of the chosen shells, by side
 */
export function dueOf(
  record: FittingRecord,
  today: string,
  {
    lengths = {},
    insideMm = {},
  }: {
    lengths?: { left?: LengthAt[]; right?: LengthAt[] }
    insideMm?: { left?: number; right?: number }
  } = {},
): DueItem[] {
  const norms = normsOf(record)
  const ahead = norms.dueDays
  const out: DueItem[] = []
  const add = (kind: DueItem['kind'], on: string, words: string) => {
    const lateDays = daysBetween(on, today)
    if (lateDays >= -ahead[kind]) out.push({ kind, on, words, lateDays })
  }
  const handover = record.handover
  if (handover?.on) {
    // One question at a time: the last moment that has come, unless it was answered.
    const come = momentsOf(record)
      .filter((m) => daysBetween(m.dueOn, today) >= -ahead.outcome)
      .at(-1)
    if (come && !come.answer && daysBetween(come.dueOn, today) <= ahead.letGo)
      add('outcome', come.dueOn, `ask how it goes: ${come.moment.words}`)
    const next = handover.nextVisitOn
    if (
      next &&
      next > handover.on &&
      !(record.followups ?? []).some((f) => f.on >= next) &&
      daysBetween(next, today) <= ahead.letGo
    )
      add('visit', next, 'next visit')
    if (handover.guaranteeUntil && handover.guaranteeUntil >= today)
      add('guarantee', handover.guaranteeUntil, 'guarantee ends: anything left to put right?')
  }
  const { bornOn, sex } = record.client ?? {}
  if (bornOn && isChild(record.client, today)) {
    for (const side of SIDES) {
      const own = lengths[side] ?? []
      const fit = fitGrowth(own, bornOn, sex, norms)
      if (!fit) continue
      const madeAtMm = handover?.on ? lengthOn(fit, handover.on).lengthMm : undefined
      const { footwear, remake } = outgrown(
        fit,
        own.at(-1)!.on,
        { insideMm: insideMm[side], madeAtMm },
        norms,
      )
      if (footwear?.expected)
        add(
          'outgrown',
          footwear.expected,
          `${side} footwear outgrown (as early as ${footwear.earliest}), estimate`,
        )
      if (remake?.expected)
        add(
          'remake',
          remake.expected,
          `${side} device or mould ${norms.outgrownMm.remakeMm} mm behind the foot (as early as ${remake.earliest}), estimate`,
        )
    }
  }
  return out.sort((a, b) => (a.on < b.on ? -1 : 1))
}
