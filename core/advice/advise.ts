import type { FittingRecord } from '../record/schema'
import { isChild } from '../measure/ageAtVisit'
import { contradictionsOf } from '../device/contradictions'
import { deviceRules } from './deviceRules'
import type { Entry } from './entry'
import { footwearRules } from './footwearRules'
import { measureRules } from './measureRules'
import { riskRules } from './riskRules'

const ORDER = { stop: 0, watch: 1, suggest: 2 } as const

/**
 * The ledger: every suggestion and caution that the record gives rise to, each with its triggers and its school, ordered stop, watch,
 * suggest. Contradictions of the devices are part of it. A sound foot gives an empty list.
 */
export function advise(record: FittingRecord): Entry[] {
  const child = isChild(record.client, record.visit?.on)
  const contradictions = contradictionsOf(record, child).map((c): Entry => ({ ...c, school: 'all', source: 'house rule', change: null }))
  const entries = [...riskRules(record), ...measureRules(record, child), ...deviceRules(record, child), ...footwearRules(record), ...contradictions]
  const first = record.story?.school
  const rank = (e: Entry) => ORDER[e.kind] * 10 + (e.school === 'all' || e.school === first ? 0 : 1)
  return entries.map((entry, i) => ({ entry, i })).sort((a, b) => rank(a.entry) - rank(b.entry) || a.i - b.i).map(({ entry }) => entry)
}
