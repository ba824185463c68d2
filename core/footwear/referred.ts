import { riskOf, told } from '../examine/risk'
import { FAMILY_KINDS, type Family } from '../kinds/families/all'
import type { FittingRecord } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'

/** Feet whose toes are poorly supplied: a condition says so, or it was found on the foot. */
export function coldToesOf(record: FittingRecord): Partial<Record<Side, boolean>> {
  const isTold = told(record, 'reducedFlow')
  return Object.fromEntries(
    SIDES.flatMap((side) => {
      const pulses = record.feet[side]?.findings?.pulses
      const isPoor = isTold || (pulses !== undefined && pulses !== 'both')
      return isPoor ? [[side, true]] : []
    }),
  )
}

/**
 * Families that are not proposed for a client, with why: those that others fit, and those that a foot
 * at risk does not wear.
 *
 * For instance a record with poor circulation has `climbing-shoe` and `dance`, any other `dance` alone
 */
export function referredFamilies(record: FittingRecord): Partial<Record<Family, string>> {
  const { atRisk } = riskOf(record)
  return Object.fromEntries(
    FAMILY_KINDS.all.flatMap(({ kind, refers }) => {
      const because = (atRisk ? refers.atRisk : null) ?? refers.always
      return because === null ? [] : [[kind, because]]
    }),
  )
}
