import { mean } from 'd3-array'
import { ANGLES, ANGLE_KEYS, type AngleKey } from '../kinds/findings/all'
import { READINGS, READING_KINDS, type ReadingKind } from '../kinds/readings/all'
import { trialsOf } from '../examine/angleTrials'
import { examineFoot } from '../examine/examineFoot'
import { USUAL_POSTURE } from '../examine/verdicts'
import { isChild } from '../measure/ageAtVisit'
import { footprintOf } from '../measure/footprintOf'
import { leastChange, NO_ERRORS, type ShopErrors, type TakenBy } from '../measure/leastChange'
import { measureFoot } from '../measure/measureFoot'
import { keptTrials, readingOf } from '../measure/reading'
import type { FittingRecord, Foot } from '../record/schema'
import { normsOf, type Norms } from '../record/tables'
import { POSTURES, SIDES, type Posture, type Side } from '../tables/vocabulary'
import { changeVerdict, type Verdict } from './changeVerdict'
import { compareFindings } from './compareFindings'

/** Numbers that are derived from readings and findings, and compared as they are. */
export type DerivedKind =
  | 'postureSum'
  | 'navicularDropMm'
  | 'navicularDropStandingMm'
  | 'ahiStanding'
  | 'archIndex'
  | 'legLengthMm'

/** One thing in two visits: a reading, an angle, what is derived from them, a finding. */
export interface Comparison {
  side: Side | 'both'
  what: ReadingKind | AngleKey | DerivedKind | (string & {})
  name: string
  posture: Posture | null
  unit: 'mm' | '°' | 'points' | ''
  before: number | null
  after: number | null
  /** as it is told, with as many places as it is worth */
  beforeWords: string | null
  afterWords: string | null
  change: number | null
  changeWords: string | null
  /** smallest believable change; null for what is a word */
  least: number | null
  /** where `least` comes from: double readings, and whose, or the house's default */
  leastFrom: string
  /** what the second fitter reads more than the first; taken off before the verdict */
  bias: number
  verdict: Verdict
}

/**
 * Two visits, thing by thing. A change smaller than can be believed of these two means, of who took
 * them and how often, is 'no change'; a believable one is better or worse where harm lies one way.
 *
 * @param before the earlier record
 * @param errors of the shop's fitters; without them the tables' own numbers stand in
 * @returns readings, angles, what is derived, findings, in the order of their lists
 */
export function compareVisits(
  before: FittingRecord,
  after: FittingRecord,
  errors: ShopErrors = NO_ERRORS,
): Comparison[] {
  const norms = normsOf(after)
  return [
    ...SIDES.flatMap((side) => {
      const feet = [before.feet[side], after.feet[side]] as const
      return [
        ...readingRows(side, feet, errors, norms),
        ...angleRows(side, feet, errors, norms),
        ...derivedRows(side, before, after, norms),
        ...findingRows(side, feet, norms),
      ]
    }),
    ...legRow(before, after, norms),
  ]
}

type Pair = readonly [Foot | undefined, Foot | undefined]
type Head = Pick<Comparison, 'side' | 'what' | 'name' | 'posture' | 'unit'>
interface Numbers {
  before: number | null
  after: number | null
  least: number
  from?: string
  bias?: number
  harm?: ((value: number) => number) | undefined
  places?: number
}

/** A row of numbers; nothing where neither visit has one. */
function numberRow(
  head: Head,
  { before, after, least, from = 'house default', bias = 0, harm, places = 1 }: Numbers,
): Comparison[] {
  if (before === null && after === null) return []
  const told = (value: number | null) =>
    value === null
      ? null
      : `${value.toFixed(places).replace('-', '−')}${head.unit === '°' ? '°' : ''}`
  const change = before !== null && after !== null ? after - before : null
  return [
    {
      ...head,
      before,
      after,
      beforeWords: told(before),
      afterWords: told(after),
      change,
      changeWords: change === null ? null : `${change > 0 ? '+' : ''}${told(change)}`,
      least,
      leastFrom: from,
      bias,
      verdict: changeVerdict(before, after, { least, bias }, harm),
    },
  ]
}

const meanOf = (tries: readonly number[]) => mean(tries) ?? null

function readingRows(side: Side, feet: Pair, errors: ShopErrors, norms: Norms) {
  return READING_KINDS.flatMap((what) =>
    POSTURES.flatMap((posture) => {
      const taken = feet.map((foot): TakenBy => {
        const reading = foot && readingOf(foot, what, posture)
        return { by: reading?.by, tries: reading ? keptTrials(reading).map((t) => t.value) : [] }
      }) as [TakenBy, TakenBy]
      const [before, after] = taken.map((t) => meanOf(t.tries)) as [number | null, number | null]
      return numberRow(
        { side, what, name: READINGS.of(what).name, posture, unit: 'mm' },
        { before, after, ...leastChange(what, ...taken, errors, norms.repeatLimitMm[what]) },
      )
    }),
  )
}

function angleRows(side: Side, feet: Pair, errors: ShopErrors, norms: Norms) {
  return ANGLE_KEYS.flatMap((what) => {
    const taken = feet.map((foot): TakenBy => ({
      by: foot?.findings?.taken?.[what]?.by,
      tries: trialsOf(foot?.findings, what),
    })) as [TakenBy, TakenBy]
    const [before, after] = taken.map((t) => meanOf(t.tries)) as [number | null, number | null]
    return numberRow(
      { side, what, name: ANGLES.of(what).name, posture: null, unit: '°' },
      {
        before,
        after,
        ...leastChange(what, ...taken, errors, norms.alignmentChangeDeg),
        harm: ANGLES.of(what).harm,
      },
    )
  })
}

/** How far a value lies outside a band; nothing within it. */
const outside =
  ([low, high]: readonly [number, number]) =>
  (value: number) =>
    Math.max(0, low - value, value - high)

function derivedRows(side: Side, before: FittingRecord, after: FittingRecord, norms: Norms) {
  const [was, is] = [before, after].map((record) => derivedOf(record, side, norms)) as [
    Derived,
    Derived,
  ]
  const { changeCounts } = norms
  const row = (
    what: Exclude<DerivedKind, 'legLengthMm'>,
    name: string,
    rest: Omit<Numbers, 'before' | 'after'> & Pick<Head, 'unit'>,
  ) =>
    numberRow(
      { side, what, name, posture: null, unit: rest.unit },
      { ...rest, before: was[what], after: is[what] },
    )
  return [
    // The two ways of reading a fall are not interchangeable: each is held against its own kind.
    ...(['navicularDropMm', 'navicularDropStandingMm'] as const).flatMap((what) =>
      row(what, `Fall of the navicular from ${DROP_BY[what]}`, {
        unit: 'mm',
        least: changeCounts.navicularDropMm,
        harm: (mm) => mm,
      }),
    ),
    ...row('ahiStanding', 'Arch height over arch length', {
      unit: '',
      least: changeCounts.archHeightIndex,
      places: 3,
    }),
    ...row('archIndex', 'Arch index of the print', {
      unit: '',
      least: changeCounts.archIndex,
      places: 2,
    }),
    ...row('postureSum', 'Posture, sum of six', {
      unit: 'points',
      least: changeCounts.postureSum,
      places: 0,
      harm: outside(USUAL_POSTURE),
    }),
  ]
}

const DROP_BY = {
  navicularDropMm: 'sitting neutral',
  navicularDropStandingMm: 'standing neutral',
} as const
const NOTHING: Derived = {
  postureSum: null,
  navicularDropMm: null,
  navicularDropStandingMm: null,
  ahiStanding: null,
  archIndex: null,
}

type Derived = Record<Exclude<DerivedKind, 'legLengthMm'>, number | null>

function derivedOf(record: FittingRecord, side: Side, norms: Norms): Derived {
  const foot = record.feet[side]
  if (!foot) return NOTHING
  const child = isChild(record.client, record.visit?.on)
  const { arch } = measureFoot(foot, record.client, child, 0, norms)
  const drop = (what: keyof typeof DROP_BY) =>
    arch.navicularDropBy === DROP_BY[what] ? arch.navicularDropMm! : null
  return {
    postureSum: examineFoot(foot, child, norms).postureSum,
    navicularDropMm: drop('navicularDropMm'),
    navicularDropStandingMm: drop('navicularDropStandingMm'),
    ahiStanding: arch.ahiStanding ?? null,
    archIndex: footprintOf(foot, side)?.archIndex ?? null,
  }
}

const findingRows = (side: Side, [was, is]: Pair, norms: Norms): Comparison[] =>
  compareFindings(was?.findings, is?.findings, norms.changeCounts).map(
    ({ what, name, before, after, verdict }) => ({
      side,
      what,
      name,
      posture: null,
      unit: '',
      before: null,
      after: null,
      beforeWords: before,
      afterWords: after,
      change: null,
      changeWords: null,
      least: null,
      leastFrom: '',
      bias: 0,
      verdict,
    }),
  )

/** The legs, + the left one shorter: a step that changes sides is a change of both. */
function legRow(before: FittingRecord, after: FittingRecord, norms: Norms) {
  const [was, is] = [before, after].map(({ legLengthDifferenceMm: leg }) =>
    leg ? (leg.shorter === 'left' ? leg.value : -leg.value) : null,
  ) as [number | null, number | null]
  return numberRow(
    {
      side: 'both',
      what: 'legLengthMm',
      name: 'Legs, + left shorter',
      posture: null,
      unit: 'mm',
    },
    { before: was, after: is, least: norms.changeCounts.legLengthMm, harm: Math.abs },
  )
}
