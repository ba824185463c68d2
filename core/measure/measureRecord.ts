import type { FittingRecord } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'
import { READING_KINDS, type ReadingKind } from '../kinds/readings/all'
import { isChild } from './ageAtVisit'
import { childFootOf } from './childFoot'
import { footprintOf } from './footprintOf'
import type { FootMeasure } from './footMeasure'
import { measureFoot } from './measureFoot'
import { normsOf } from '../record/tables'
import { questionsOf, type Question } from './questions'
import { meanOfReading } from './reading'

export interface MeasureResult {
  feet: Partial<Record<Side, FootMeasure>>
  /**
   * left minus right, mm, of each reading's standing means (else sitting), same posture on both
   * feet
   */
  differences: Partial<Record<ReadingKind, number>>
  questions: Pick<Question, 'path' | 'words'>[]
}

/** Derived measures of both feet, their differences and everything unlikely. */
export function measureRecord(record: FittingRecord, allowanceMm: number): MeasureResult {
  const child = isChild(record.client, record.visit?.on)
  const feet: MeasureResult['feet'] = {}
  for (const side of SIDES) {
    const foot = record.feet[side]
    if (!foot) continue
    const growing = childFootOf(record, side)
    const print = footprintOf(foot, side)
    feet[side] = {
      ...measureFoot(foot, record.client, child, allowanceMm, normsOf(record)),
      ...(growing && { child: growing }),
      ...(print && {
        footprint: {
          archIndex: print.archIndex,
          ...(!child && { archClass: print.archClass }),
          share: print.share,
          contactCm2: print.contactCm2,
        },
      }),
    }
  }
  return {
    feet,
    differences: differencesOf(record),
    questions: questionsOf(record).map(({ path, words }) => ({ path, words })),
  }
}

function differencesOf(record: FittingRecord): MeasureResult['differences'] {
  const { left, right } = record.feet
  const out: MeasureResult['differences'] = {}
  if (!left || !right) return out
  for (const what of READING_KINDS)
    for (const posture of ['standing', 'sitting'] as const) {
      const l = meanOfReading(left, what, posture)
      const r = meanOfReading(right, what, posture)
      if (l === undefined || r === undefined) continue
      out[what] = l - r
      break
    }
  return out
}
