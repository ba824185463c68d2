import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { otherSide, SIDES, type Side } from '../tables/vocabulary'
import { reasonsOf } from './becauseOf'
import type { Change } from './entry'

/** The rule that lets one heel stand higher than the other. */
export const LEG_LIFT = 'leg-lift'

/** The feet of a record that an entry is about. */
export const sidesOf = (record: FittingRecord, foot: Side | 'both'): Side[] =>
  foot === 'both' ? SIDES.filter((side) => record.feet[side]) : [foot]

/** The feet that a change is made on: a lift for a calf or an ankle goes under both, whichever foot asks. */
export const feetOfChange = (record: FittingRecord, foot: Side | 'both', change: Change): Side[] =>
  sidesOf(record, 'heelLiftMm' in change && change.onBoth ? 'both' : foot)

/** Heel lift of a foot's device, mm. */
export const liftOf = (record: FittingRecord, side: Side): number =>
  record.feet[side]?.device?.kind === 'none' ? 0 : (record.feet[side]?.device?.heelLiftMm ?? 0)

/** The most that a counter still holds of a lift inside, mm. */
export const liftLimitMm = (record: FittingRecord): number =>
  normsOf(record).ruleThresholds['lift-over-counter.mm']

/** Does the leg of this foot ask for its step over the other one, as it was decided or built? */
const legAsks = (record: FittingRecord, side: Side): boolean =>
  record.legLengthDifferenceMm?.shorter === side &&
  reasonsOf(record.feet[side]?.device?.because?.heelLift).includes(LEG_LIFT)

/**
 * Lifts of both feet once something more was asked of one of them, mm. A calf or a boot asks for a least height
 * under its foot; a leg asks for a step over the other foot. Nothing that was there is lowered, a step that was
 * taken stays a step, and no lift comes over what the counter holds.
 *
 * For instance a left leg with its step of 3 over the right, and calves that ask for 3: left 6, right 3
 *
 * @param asked least lifts by foot, or `overOther` for the foot that stands so much over the other
 */
export function liftsOnceAsked(
  record: FittingRecord,
  feet: readonly Side[],
  asked: { heelLiftMm: number; overOther?: true },
): Partial<Record<Side, number>> {
  const most = liftLimitMm(record)
  const now = { left: liftOf(record, 'left'), right: liftOf(record, 'right') }
  const next = { ...now }
  for (const side of feet) {
    const other = asked.overOther ? now[otherSide(side)] : 0
    next[side] = Math.max(now[side], other + asked.heelLiftMm)
  }
  if (!asked.overOther)
    for (const side of SIDES) {
      const step = now[side] - now[otherSide(side)]
      if (step > 0 && legAsks(record, side))
        next[side] = Math.max(next[side], next[otherSide(side)] + step)
    }
  return Object.fromEntries(
    SIDES.filter(
      (side) => record.feet[side] && (feet.includes(side) || next[side] !== now[side]),
    ).map((side) => [side, Math.max(now[side], Math.min(most, next[side]))]),
  )
}
