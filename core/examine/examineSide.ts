import { complaintsOf } from '../record/health'
import { isChild } from '../measure/ageAtVisit'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import type { Side } from '../tables/vocabulary'
import type { FootExamination } from './examination'
import { examineFoot } from './examineFoot'

/** Was pain told at the joint of this big toe? A stiff range has its grade then. */
const bigToeHurts = ({ story }: FittingRecord, side: Side): boolean =>
  complaintsOf({ story }).some(
    ({ foot, at, numb, score }) =>
      foot === side && (at === 'greatToe' || at === 'firstMetHead') && !numb && score !== 0,
  )

/**
 * The examination of one foot of a record, by its client's age, its complaints and the rows the fitting is
 * judged by; null where the record has no such foot.
 */
export function examineSide(record: FittingRecord, side: Side): FootExamination | null {
  const foot = record.feet[side]
  if (!foot) return null
  const child = isChild(record.client, record.visit?.on)
  return examineFoot(foot, child, normsOf(record), bigToeHurts(record, side))
}
