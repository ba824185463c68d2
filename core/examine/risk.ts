import { CONDITIONS } from '../kinds/conditions/all'
import { complaintsOf, conditionsOf } from '../record/health'
import type { ConditionDefinition } from '../kinds/conditions/definition'
import { SIGNS } from '../kinds/signs/all'
import { isDay, daysBetween } from '../record/isoDay'
import { isNumbLasting } from './numbLasting'
import { standsFlat } from './standsFlat'
import { isChild } from '../measure/ageAtVisit'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES, type Side } from '../tables/vocabulary'

/**
 * Day by which a record is judged: the day it was handed over, which nothing lapses after, else today, else its
 * visit's.
 */
export const judgedOn = (record: FittingRecord, today?: string): string | undefined =>
  record.handover?.on ?? today ?? record.visit?.on

/** A reason for which somebody else looks before anything is made. */
export interface Refer {
  code: string
  words: string
  paths: string[]
  /** clearance recorded for this very reason */
  cleared: boolean
}

export interface Risk {
  /**
   * 0–3 in the manner of the international diabetic-foot guidance; null: not graded, treated as 1
   * and more in diabetes
   */
  grade: 0 | 1 | 2 | 3 | null
  /** loss of protective sensation; null when it was not screened */
  lossOfSensation: boolean | null
  /** reduced blood flow suspected; null when pulses were not felt for */
  reducedFlow: boolean | null
  refers: Refer[]
  /** making waits for a clearance */
  blocked: boolean
  /** the foot is treated as one at risk: no skive on it, no heat on it, early recheck */
  atRisk: boolean
}

/** Does a condition that was told say this of feeling and flow? */
export const told = (record: FittingRecord, what: keyof ConditionDefinition['risk']): boolean =>
  conditionsOf(record).some((c) => CONDITIONS.of(c).risk[what])

/**
 * Loss of protective sensation over both feet: any of ten points not felt, or neuropathy recorded.
 * Unknown is not 'no'.
 */
function lossOfSensation(record: FittingRecord): boolean | null {
  if (told(record, 'lossOfFeeling')) return true
  const felt = SIDES.flatMap((side) =>
    record.feet[side] ? [record.feet[side]!.findings?.sensationFelt] : [],
  )
  if (felt.some((f) => f !== undefined && f < 10)) return true
  return felt.length > 0 && felt.every((f) => f === 10) ? false : null
}

/** Reduced flow: one, weak or absent pulse, or poor circulation recorded. */
function reducedFlow(record: FittingRecord): boolean | null {
  if (told(record, 'reducedFlow')) return true
  const pulses = SIDES.flatMap((side) =>
    record.feet[side] ? [record.feet[side]!.findings?.pulses] : [],
  )
  if (pulses.some((p) => p !== undefined && p !== 'both')) return true
  return pulses.length > 0 && pulses.every((p) => p === 'both') ? false : null
}

function gradeOf(record: FittingRecord, loss: boolean | null, flow: boolean | null): Risk['grade'] {
  if (loss === null && flow === null) return null
  if (loss === true || flow === true) {
    if (told(record, 'highest')) return 3
    const deformity = SIDES.flatMap((side) =>
      record.feet[side] ? [record.feet[side]!.findings?.deformity] : [],
    )
    if ((loss === true && flow === true) || deformity.includes('present')) return 2
    // What was not looked at could only raise the grade.
    return loss === null || flow === null || deformity.includes(undefined) ? null : 1
  }
  return loss === false && flow === false ? 0 : null
}

/**
 * The risk screen of a record: grade, reasons to refer first, and whether making is blocked.
 *
 * Grade 0 neither loss of protective sensation nor reduced flow; 1 one of them; 2 both, or either
 * with deformity; 3 either with a past ulcer, an amputation or end-stage kidney disease. Missing
 * data give null, treated as at least 1 in diabetes.
 *
 * @param today day by which a clearance counts or has lapsed; the visit's where absent
 *
 * For instance `riskOf(record with diabetes, 8 of 10 points felt, both pulses)` is grade 1, blocked false
 */
export function riskOf(record: FittingRecord, today?: string): Risk {
  const loss = lossOfSensation(record)
  const flow = reducedFlow(record)
  const grade = gradeOf(record, loss, flow)
  const refers = referReasons(record, judgedOn(record, today))
  return {
    grade,
    lossOfSensation: loss,
    reducedFlow: flow,
    refers,
    blocked: refers.some((r) => !r.cleared),
    atRisk: loss === true || flow === true || ((grade ?? 1) >= 1 && told(record, 'susceptible')),
  }
}

/** Does something that was asked or cleared on a day no longer count? Without both days it does. */
export const isLapsed = (
  on: string | undefined,
  today: string | undefined,
  days: number,
): boolean =>
  on !== undefined &&
  today !== undefined &&
  isDay(on) &&
  isDay(today) &&
  daysBetween(on, today) > days

/** A growing foot that stands flat, does not give, and hurts: never only usual for its age. */
function isStiffFlat(record: FittingRecord, side: Side): boolean {
  const { mobility } = record.feet[side]?.findings ?? {}
  const isStiff = mobility?.subtalar === 'stiff' || mobility?.midtarsal === 'stiff'
  const hurts = complaintsOf(record).some((c) => c.foot === side && c.score !== 0)
  return isStiff && hurts && standsFlat(record, side)
}

/** A kind's name as a code. For instance `codeOf('recentOperation')` is 'recent-operation' */
const codeOf = (kind: string) => kind.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)

function referReasons(record: FittingRecord, today: string | undefined): Refer[] {
  const out: Omit<Refer, 'cleared'>[] = []
  const add = (code: string, words: string, ...paths: string[]) => out.push({ code, words, paths })
  const child = isChild(record.client, record.visit?.on)
  const signs = record.story?.signs ?? {}
  for (const sign of SIGNS.all)
    if (signs[sign.kind] === 'yes' && (child || !sign.childOnly))
      add(`sign-${sign.kind}`, sign.refer, `story.signs.${sign.kind}`)
  for (const condition of conditionsOf(record)) {
    const { refer, kind } = CONDITIONS.of(condition)
    if (refer) add(codeOf(kind), refer, 'story.conditions')
  }
  for (const side of SIDES) {
    const f = record.feet[side]?.findings
    if (!f) continue
    const at = `feet.${side}.findings`
    if (f.marks?.some((m) => m.kind === 'wound'))
      add(`wound-${side}`, `a wound on the ${side} foot`, `${at}.marks`)
    if (f.pulses === 'absent')
      add(`pulse-${side}`, `no pulse felt on the ${side} foot`, `${at}.pulses`)
    if (f.hotJoint === 'present')
      add(`hot-joint-${side}`, `a hot joint in the ${side} foot`, `${at}.hotJoint`)
    if (f.skin === 'hot')
      add(
        `hot-${side}`,
        `the ${side} foot is hot ${f.swelling === 'present' ? 'and swollen' : 'to the touch'}`,
        `${at}.skin`,
      )
    if (f.heelRaise && (f.heelRaise.count === 0 || f.heelRaise.inverts === false))
      add(
        `heel-raise-${side}`,
        `the ${side} heel raise fails or the heel stays out: before any post`,
        `${at}.heelRaise`,
      )
    if (child && isStiffFlat(record, side))
      add(
        `stiff-flat-${side}`,
        `a flat ${side} foot that is stiff and hurts in a child`,
        `${at}.mobility`,
        'story.complaints',
      )
    if (f.numbness?.bothLikeStocking)
      add(`stocking-${side}`, 'numbness like a stocking', `${at}.numbness`)
  }
  const leg = record.legLengthDifferenceMm
  const { 'leg-length-watch.mostMm': most, 'leg-length-watch.errorMm': error } =
    normsOf(record).ruleThresholds
  const doubtful = leg?.known === 'new' || leg?.goneWhenLevelled
  if (leg && (leg.value > most || (leg.value >= error && doubtful)))
    add(
      'leg-length',
      `a leg length difference of ${leg.value} mm${leg.known === 'new' ? ', new' : ''}${leg.goneWhenLevelled ? ', gone when levelled' : ''}`,
      'legLengthDifferenceMm',
    )
  if (SIDES.every((side) => isNumbLasting(record, side)))
    add(
      'numb-both',
      'feeling stays away in both feet',
      ...SIDES.map((side) => `feet.${side}.findings.numbness`),
    )
  const days = normsOf(record).ruleThresholds['cleared.days']
  const cleared = new Set(
    (record.story?.clearances ?? [])
      .filter(({ on }) => !isLapsed(on, today, days))
      .map((c) => c.code),
  )
  return out.map((r) => ({ ...r, cleared: cleared.has(r.code) }))
}
