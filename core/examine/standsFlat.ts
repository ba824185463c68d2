import { archHeightIndexOf } from '../measure/archIndex'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import type { Side } from '../tables/vocabulary'
import { examineSide } from './examineSide'

/** A heel everted by this much, or a posture sum from here on, is a foot that stands flat; house assumption. */
const EVERTED_DEG = -4
const POSTURE_SUM = 6

/**
 * Does a foot stand flat, whatever the age: by its heel, its posture or the height of its arch? A fact about the
 * stance, no class.
 */
export function standsFlat(record: FittingRecord, side: Side): boolean {
  const exam = examineSide(record, side)
  if (!exam) return false
  const ahi = archHeightIndexOf(record.feet[side]!, 'standing')
  const [low] = normsOf(record).archHeightStanding
  return (
    (exam.relaxed !== null && exam.relaxed.meanDeg <= EVERTED_DEG) ||
    (exam.postureSum !== null && exam.postureSum >= POSTURE_SUM) ||
    (ahi !== undefined && ahi < low)
  )
}
