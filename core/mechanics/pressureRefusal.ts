import { riskOf } from '../examine/risk'
import { conditionsOf } from '../record/health'
import { ageInYears } from '../measure/ageAtVisit'
import type { FittingRecord } from '../record/schema'
import type { Side } from '../tables/vocabulary'

/** What holds instead where no estimate is given: the target of a measurement in the shoe. */
const IN_SHOE_TARGET =
  'After a healed ulcer the target is a peak under 200 kPa, or at least 30 % lower at the former place, measured in the shoe while walking. No estimate here is compared with it. Licensed practice and local rules decide.'

/**
 * May pressure numbers be shown for this client? The tissue law is of healthy adults; null where it
 * holds, else why not.
 */
export function pressureRefusal(record: FittingRecord, side: Side): string | null {
  const { bornOn } = record.client ?? {}
  if (bornOn && record.visit?.on && ageInYears(bornOn, record.visit.on) < 16)
    return 'Under 16 the tissue is another; no pressure numbers.'
  const conditions = conditionsOf(record)
  if (conditions.includes('diabetes') || conditions.includes('neuropathy'))
    return `With diabetes or neuropathy the tissue is another and the cost of an error high: measure inside the shoe. ${IN_SHOE_TARGET}`
  const { grade } = riskOf(record)
  if (grade !== null && grade >= 1)
    return `A foot at risk is measured inside the shoe, not estimated. ${IN_SHOE_TARGET}`
  return record.feet[side]?.findings?.fatPad === 'thin'
    ? 'A thin heel pad does not follow this law; no pressure numbers.'
    : null
}
