import { riskOf } from '../examine/risk'
import type { FittingRecord } from '../record/schema'

/**
 * Does this client wear in by half hours with a look at the skin each time? A foot at risk, known
 * or suspected.
 */
export const slowWearIn = (record: FittingRecord): boolean => riskOf(record).atRisk
