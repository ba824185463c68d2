import type { ActivityDefinition } from '../kinds/activities/definition'
import { complaintsOf, conditionsOf } from '../record/health'
import { activityTold, deviceRoom, isBootActivity } from '../record/storyActivity'
import type { FootExamination } from '../examine/examination'
import { examineSide } from '../examine/examineSide'
import { isChild } from '../measure/ageAtVisit'
import type { FootMeasure } from '../measure/footMeasure'
import { measureFoot } from '../measure/measureFoot'
import { normsOf, type Norms } from '../record/tables'
import { bestMean } from '../measure/reading'
import { allowanceFor } from '../measure/sizes'
import { judgedOn, riskOf, type Risk } from '../examine/risk'
import type { Complaint, Device, Findings, FittingRecord, Foot } from '../record/schema'
import type { ComplaintPlace, School, Side } from '../tables/vocabulary'
import type { Condition } from '../kinds/conditions/all'
import type { ReadingKind } from '../kinds/readings/all'
import type { Change, Strength } from './entry'
import { heelPush, type HeelPush } from './heelPush'
import { limitsOf, type Figure, type Limits } from './limits'

/** What a rule says when it fires. */
export interface Finding {
  words: string
  triggers: string[]
  change?: Change | null
  /** which of several things on this foot it is about, as one of two sore spots */
  about?: string
  /** entries about the pair or another foot name it; a foot's own rule says nothing */
  foot?: Side | 'both'
}

/**
 * Data of a rule; its small function looks at the record and says nothing (null) when it does not
 * hold. Its thresholds are rows of a table.
 */
export interface RuleData {
  code: string
  school: School | 'all'
  kind: 'stop' | 'watch' | 'suggest'
  strength?: Strength
  /** where the rule comes from */
  source: string
  /** health, age and law: follows the client to every station and paper */
  caution?: true
  /** a caution that is a question to the client: loud from Make on, before that an entry like others */
  asks?: true
  /** offered before a custom device */
  lesser?: true
  /** holds for children too; suggestions do not unless they say so */
  children?: true
}
/** A rule as the ledger runs it: what it finds, with the figures it compared. */
interface Run<C> {
  run: (c: C) => (Finding & { figures: Figure[] })[]
}
export type FootRule = RuleData & { per: 'foot' } & Run<FootContext>
export type RecordRule = RuleData & { per: 'record' } & Run<RecordContext>
export type Rule = FootRule | RecordRule

type Written<Code extends string, C> = RuleData & {
  code: Code
  when: (c: C, limit: Limits<Code>) => Finding | readonly Finding[] | null
}

const NOTHING: never[] = []

function ran<Code extends string, C extends RecordContext>({ code, when }: Written<Code, C>) {
  return (c: C) => {
    const limit = limitsOf(code, c.norms)
    const found = when(c, limit)
    if (found === null) return NOTHING
    const findings: readonly Finding[] = Array.isArray(found) ? found : [found as Finding]
    const figures = limit.figures()
    return findings.map((finding) => ({ ...finding, figures }))
  }
}

export const ofFoot = <const Code extends string>(rule: Written<Code, FootContext>): FootRule => {
  const { when: _, ...data } = rule
  return { ...data, per: 'foot', run: ran(rule) }
}
export const ofRecord = <const Code extends string>(
  rule: Written<Code, RecordContext>,
): RecordRule => {
  const { when: _, ...data } = rule
  return { ...data, per: 'record', run: ran(rule) }
}

/** The record as rules read it. */
export interface RecordContext {
  record: FittingRecord
  /** day by which it is judged: what was asked or cleared lapses */
  today: string | undefined
  /** the rows it is judged by */
  norms: Norms
  child: boolean
  risk: Risk
  /** who has to look again when something under the sole changes */
  recheck: ActivityDefinition['recheck']
  /** what it is worn for springs off the arch with every step */
  springs: boolean
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
  /** the one side that this heel may be pushed to, in every school */
  push: HeelPush
  device: Device | undefined
  /** the worst complaint at these places, numb ones left out */
  hurts: (...places: ComplaintPlace[]) => Complaint | undefined
  numb: (...places: ComplaintPlace[]) => Complaint | undefined
  mean: (what: ReadingKind) => number | undefined
  /** path of a finding, a reading or the device of this foot */
  at: (rest: string) => string
}

/** What rules see of a record. */
export function recordContext(record: FittingRecord, day?: string): RecordContext {
  const conditions = new Set(conditionsOf(record))
  const activity = activityTold(record.story)
  const today = judgedOn(record, day)
  return {
    record,
    today,
    norms: normsOf(record),
    child: isChild(record.client, record.visit?.on),
    risk: riskOf(record, day),
    recheck: activity?.recheck ?? null,
    springs: activity?.springs ?? false,
    boot: isBootActivity(record.story),
    lowVolume: deviceRoom(record) === 'low',
    has: (condition) => conditions.has(condition),
  }
}

/** What rules see of one foot. */
export function footContext(base: RecordContext, side: Side, foot: Foot): FootContext {
  const { record, child, norms } = base
  const own = complaintsOf(record).filter((c) => c.foot === side)
  const worst = (numb: boolean, places: readonly ComplaintPlace[]) =>
    own
      .filter((c) => Boolean(c.numb) === numb && places.includes(c.at))
      .sort((a, b) => (b.score ?? 0) - (a.score ?? 0))[0]
  const exam = examineSide(record, side)!
  return {
    ...base,
    side,
    foot,
    f: foot.findings ?? {},
    exam,
    push: heelPush(exam, (...places) => worst(false, places), norms),
    measure: measureFoot(
      foot,
      record.client,
      child,
      allowanceFor(record.story?.activity, norms),
      norms,
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
