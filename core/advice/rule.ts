import { deviceRoom, isBootActivity } from '../record/setting'
import type { FootExamination } from '../examine/examination'
import { examineFoot } from '../examine/examineFoot'
import { isChild } from '../measure/ageAtVisit'
import type { FootMeasure } from '../measure/footMeasure'
import { measureFoot } from '../measure/measureFoot'
import { normsOf } from '../measure/normsTable'
import { bestMean } from '../measure/reading'
import { allowanceFor } from '../measure/sizes'
import { riskOf, type Risk } from '../examine/risk'
import type { Complaint, Device, Findings, FittingRecord, Foot } from '../record/schema'
import type { ComplaintPlace, Condition, ReadingKind, School, Side } from '../record/vocabulary'
import type { Change, Strength } from './entry'

/** What a rule says when it fires. */
export interface Finding {
  words: string
  triggers: string[]
  change?: Change | null
  /** entries about the pair or another foot name it; a foot's own rule says nothing */
  foot?: Side | 'both'
}

/** Data of a rule; its small function looks at the record and says nothing (null) when it does not hold. */
export interface RuleData {
  code: string
  school: School | 'all'
  kind: 'stop' | 'watch' | 'suggest'
  strength?: Strength
  source?: string
  /** offered before a custom device */
  lesser?: true
  /** holds for children too; suggestions do not unless they say so */
  children?: true
}
export type FootRule = RuleData & { per: 'foot'; when: (c: FootContext) => Finding | null }
export type RecordRule = RuleData & { per: 'record'; when: (c: RecordContext) => Finding | null }
export type Rule = FootRule | RecordRule
export const ofFoot = (rule: Omit<FootRule, 'per'>): FootRule => ({ ...rule, per: 'foot' })
export const ofRecord = (rule: Omit<RecordRule, 'per'>): RecordRule => ({ ...rule, per: 'record' })

/** The record as rules read it. */
export interface RecordContext {
  record: FittingRecord
  child: boolean
  risk: Risk
  activity: string | undefined
  /** rigid and snug footwear */
  boot: boolean
  /** little room for what is built below the shell */
  lowVolume: boolean
  has: (condition: Condition) => boolean
}

/** One foot as rules read it. */
export interface FootContext extends RecordContext {
  side: Side
  foot: Foot
  f: Findings
  exam: FootExamination
  measure: FootMeasure
  device: Device | undefined
  /** the worst complaint at these places, numb ones left out */
  hurts: (...places: ComplaintPlace[]) => Complaint | undefined
  numb: (...places: ComplaintPlace[]) => Complaint | undefined
  mean: (what: ReadingKind) => number | undefined
  /** path of a finding, a reading or the device of this foot */
  at: (rest: string) => string
}

/** What rules see of a record. */
export function recordContext(record: FittingRecord): RecordContext {
  const conditions = new Set(record.story?.conditions ?? [])
  return {
    record,
    child: isChild(record.client, record.visit?.on),
    risk: riskOf(record),
    activity: record.story?.activity,
    boot: isBootActivity(record.story?.activity),
    lowVolume: deviceRoom(record) === 'low',
    has: (condition) => conditions.has(condition),
  }
}

/** What rules see of one foot. */
export function footContext(base: RecordContext, side: Side, foot: Foot): FootContext {
  const { record, child } = base
  const own = (record.story?.complaints ?? []).filter((c) => c.foot === side)
  const worst = (numb: boolean, places: readonly ComplaintPlace[]) =>
    own
      .filter((c) => Boolean(c.numb) === numb && places.includes(c.at))
      .sort((a, b) => (b.score ?? 0) - (a.score ?? 0))[0]
  return {
    ...base,
    side,
    foot,
    f: foot.findings ?? {},
    exam: examineFoot(foot, child, normsOf(record)),
    measure: measureFoot(
      foot,
      record.client,
      child,
      allowanceFor(record.story?.activity, normsOf(record)),
      normsOf(record),
    ),
    device: foot.device,
    hurts: (...places) => worst(false, places),
    numb: (...places) => worst(true, places),
    mean: (what) => bestMean(foot, what, 'standing'),
    at: (rest) => `feet.${side}.${rest}`,
  }
}

/** A number in words: at most one decimal. */
export const n = (value: number): string => Number(Math.abs(value).toFixed(1)).toString()
