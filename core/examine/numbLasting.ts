import { complaintsOf } from '../record/health'
import { WITHIN_MIN } from '../kinds/findings/numbness'
import type { FittingRecord } from '../record/schema'
import type { Side } from '../tables/vocabulary'

/**
 * Does feeling stay away in a foot: always, or longer than half an hour out of the footwear?
 *
 * Source: handbook of examination, numbness pattern.
 *
 * For instance toes that come back after five hours are lasting; after ten minutes they are not
 */
export function isNumbLasting(record: FittingRecord, side: Side): boolean {
  const numbness = record.feet[side]?.findings?.numbness
  return (
    numbness?.when === 'always' ||
    (numbness?.returnsWithinMin ?? 0) > WITHIN_MIN ||
    complaintsOf(record).some((c) => c.foot === side && c.numb === true && c.when === 'always')
  )
}
