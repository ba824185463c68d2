import type { FittingRecord } from './schema'

/**
 * A record whose client has a birth date and whose visit has no day, taken as of today: an age needs both, and a
 * child must not be judged as grown for want of a date.
 */
export const withVisitDay = (record: FittingRecord, today: string): FittingRecord =>
  record.client?.bornOn !== undefined && record.visit?.on === undefined
    ? { ...record, visit: { ...record.visit, on: today } }
    : record
