import type { FittingRecord } from '../record/schema'

const SLOW_CONDITIONS = new Set(['diabetes', 'neuropathy', 'poorCirculation', 'pastUlcer', 'amputation'])

/** Does this client wear in by half hours with a look at the skin each time? Lost feeling or poor circulation, known or suspected. */
export const slowWearIn = (record: FittingRecord): boolean =>
  (record.story?.conditions ?? []).some((c) => SLOW_CONDITIONS.has(c)) || [record.feet.left, record.feet.right].some((f) => f?.findings?.sensationFelt !== undefined && f.findings.sensationFelt < 10)
