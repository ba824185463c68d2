import { contradictionsOf, type Contradiction } from './contradictions'
import type { FittingRecord } from '../record/schema'
import { SIDES, type School } from '../tables/vocabulary'
import { isUnsafeAtRisk } from './atRisk'
import { isMet } from './isMet'
import { standingOf, type Standing } from './decided'
import { entryKey, type Entry } from './entry'
import type { Figure } from './limits'
import { footContext, recordContext, type Finding, type RuleData } from './rule'
import { RULES } from './rules/all'
import { readingEntries } from './rules/readings'

const KIND_ORDER = { stop: 0, watch: 1, suggest: 2 } as const
const STRENGTH_ORDER = { strong: 0, usual: 1, weak: 2 } as const

/**
 * Everything that the record gives rise to, what the record already holds included (`met`). Ordered
 * stop, watch, suggest; among suggestions lesser measures first, then the fitting's own school,
 * then by strength. Switching the school re-sorts, it hides nothing.
 *
 * @param finished what the finished devices contradict, where somebody has built them
 * @param today day by which it is judged; the visit's where absent
 */
export function judge(
  record: FittingRecord,
  school: School | undefined = record.story?.school,
  finished: readonly Contradiction[] = [],
  today?: string,
): Entry[] {
  const base = recordContext(record, today)
  const entries: Entry[] = []
  const say = (rule: RuleData, finding: Finding & { figures: Figure[] }, foot: Entry['foot']) => {
    const change = finding.change ?? null
    // At risk in one rule is at risk in every rule.
    if (rule.kind === 'suggest' && base.risk.atRisk && isUnsafeAtRisk(change)) return
    const where = finding.foot ?? foot
    entries.push({
      code: rule.code,
      kind: rule.kind,
      school: rule.school,
      strength: rule.strength ?? 'usual',
      lesser: rule.lesser ?? false,
      foot: where,
      ...(finding.about !== undefined && { about: finding.about }),
      triggers: finding.triggers,
      words: finding.words,
      source: rule.source,
      caution: rule.caution ?? false,
      ...(rule.asks && { asks: true as const }),
      figures: finding.figures,
      change,
      met: change !== null && isMet(record, where, change, rule.code),
    })
  }
  const feet = SIDES.flatMap((side) =>
    record.feet[side] ? [footContext(base, side, record.feet[side]!)] : [],
  )
  for (const rule of RULES) {
    if (base.child && rule.kind === 'suggest' && !rule.children) continue
    if (rule.per === 'record') for (const finding of rule.run(base)) say(rule, finding, 'both')
    else
      for (const foot of feet) for (const finding of rule.run(foot)) say(rule, finding, foot.side)
  }
  entries.push(...readingEntries(record))
  for (const c of [...contradictionsOf(record), ...finished])
    entries.push({
      ...c,
      school: 'all',
      strength: 'strong',
      lesser: false,
      source: c.source,
      caution: false,
      figures: c.figures,
      change: null,
      met: false,
    })
  const rank = (e: Entry) =>
    KIND_ORDER[e.kind] * 100 +
    (e.kind === 'suggest'
      ? (e.lesser ? 0 : 20) + (e.school === 'all' || e.school === school ? 0 : 5)
      : 0) +
    STRENGTH_ORDER[e.strength]
  return entries
    .map((entry, i) => ({ entry, i }))
    .sort((a, b) => rank(a.entry) - rank(b.entry) || a.i - b.i)
    .map(({ entry }) => entry)
}

/** The ledger: what is still to be weighed up. A sound foot gives an empty list. */
export const advise = (
  record: FittingRecord,
  finished: readonly Contradiction[] = [],
  today?: string,
): Entry[] => judge(record, record.story?.school, finished, today).filter((entry) => !entry.met)

/** A decision of the fitter with what has become of its reason. */
export interface Decided {
  decision: NonNullable<FittingRecord['ledger']>[number]
  /** the entry as it reads today; null when the readings no longer give rise to it */
  entry: Entry | null
  standing: Standing
  /** its entry is open again beside it */
  isOpen: boolean
}

/**
 * The ledger with the fitter's decisions: open entries, and decided ones that say what has become of them. A
 * decision is about one thing: a later, other or worse finding is open again beside it.
 *
 * @param finished what the finished devices contradict, where somebody has built them
 * @param today day by which it is judged; the visit's where absent
 */
export function ledgerOf(
  record: FittingRecord,
  finished: readonly Contradiction[] = [],
  today?: string,
): { open: Entry[]; decided: Decided[] } {
  const all = judge(record, record.story?.school, finished, today)
  const byKey = new Map(all.map((e) => [entryKey(e), e]))
  const settled = new Set<string>()
  const decided = (record.ledger ?? []).map((decision): Decided => {
    const key = entryKey(decision)
    const entry = byKey.get(key) ?? null
    const { standing, isOpen } = standingOf(decision, entry)
    if (!isOpen) settled.add(key)
    return { decision, entry, standing, isOpen }
  })
  return { open: all.filter((e) => !e.met && !settled.has(entryKey(e))), decided }
}
