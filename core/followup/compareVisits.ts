import { ANGLES, ANGLE_KEYS, type AngleKey } from '../kinds/findings/all'
import { READINGS, READING_KINDS, type ReadingKind } from '../kinds/readings/all'
import { examineFoot } from '../examine/examineFoot'
import type { FittingRecord } from '../record/schema'
import { SIDES, type Posture, type Side } from '../tables/vocabulary'
import { normsOf, type Norms } from '../record/tables'
import { meanOfReading } from '../measure/reading'

/** One reading of one foot in two visits. */
export interface Comparison {
  side: Side
  what: ReadingKind | AngleKey
  name: string
  posture: Posture | null
  unit: 'mm' | '°'
  before: number | null
  after: number | null
  change: number | null
  /** smallest believable change */
  least: number
  /** where `least` comes from: the shop's double readings, or the house default */
  leastFrom: 'double readings' | 'house default'
  verdict: 'bigger' | 'smaller' | 'no change' | 'only before' | 'only after'
}

/** Smallest believable change of a reading by kind, mm, from double readings of the shop. */
export type SmallestChanges = Partial<Record<ReadingKind, number>>

/**
 * Two visits reading by reading. A change smaller than the smallest believable one is 'no change'.
 * Until double readings are held, the repeat limit stands in for it (house default).
 *
 * @param before the earlier record
 * @param known from double readings, mm
 */
export function compareVisits(
  before: FittingRecord,
  after: FittingRecord,
  known: SmallestChanges = {},
): Comparison[] {
  const norms = normsOf(after)
  const rows: Comparison[] = []
  for (const side of SIDES) {
    for (const what of READING_KINDS)
      for (const posture of ['standing', 'sitting', 'prone', 'supine'] as const) {
        const of = (record: FittingRecord) =>
          (record.feet[side] && meanOfReading(record.feet[side]!, what, posture)) ?? null
        const least = known[what] ?? norms.repeatLimitMm[what]
        push(
          rows,
          {
            side,
            what,
            name: READINGS.of(what).name,
            posture,
            unit: 'mm',
            least,
            leastFrom: known[what] === undefined ? 'house default' : 'double readings',
          },
          of(before),
          of(after),
        )
      }
    for (const what of ANGLE_KEYS)
      push(
        rows,
        {
          side,
          what,
          name: ANGLES.of(what).name,
          posture: null,
          unit: '°',
          least: norms.alignmentChangeDeg,
          leastFrom: 'house default',
        },
        angle(before, side, what, norms),
        angle(after, side, what, norms),
      )
  }
  return rows
}

const angle = (record: FittingRecord, side: Side, what: AngleKey, norms: Norms) =>
  record.feet[side]
    ? (examineFoot(record.feet[side]!, false, norms).angles[what]?.meanDeg ?? null)
    : null

function push(
  rows: Comparison[],
  head: Omit<Comparison, 'before' | 'after' | 'change' | 'verdict'>,
  before: number | null,
  after: number | null,
) {
  if (before === null && after === null) return
  const change = before !== null && after !== null ? after - before : null
  const verdict =
    change === null
      ? before === null
        ? 'only after'
        : 'only before'
      : Math.abs(change) < head.least
        ? 'no change'
        : change > 0
          ? 'bigger'
          : 'smaller'
  rows.push({ ...head, before, after, change, verdict })
}
