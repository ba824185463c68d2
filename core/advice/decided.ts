import type { Decision } from '../record/schema'
import type { Entry } from './entry'

/**
 * What has become of a decision: `holds`, its reason reads otherwise now (`changed`), its reason is gone (`gone`), or
 * what it made is no longer there (`undone`).
 */
export type Standing = 'holds' | 'changed' | 'gone' | 'undone'

/** Values further apart than this are another value, by unit; own assumption, near what two readings differ by. */
const SAME_WITHIN: Readonly<Record<string, number>> = { '°': 1, mm: 1, points: 1 }

/** What an entry is about, as a decision keeps it. */
export const basisOf = ({ triggers, figures }: Entry): NonNullable<Decision['basis']> => ({
  triggers: [...triggers],
  values: figures.flatMap(({ words, value, limit, unit }) =>
    value === null ? [] : [{ words, value, limit, unit }],
  ),
})

/** A sentence without its numbers: what is found, not how much. */
const skeleton = (words: string) => words.replace(/[−-]?\d+(?:[.,]\d+)?/g, '#')

/**
 * Is what an entry says today another thing, or worse, than what was decided? A value is worse that lies further beyond
 * its limit than it did.
 */
export function isOtherOrWorse(decision: Decision, entry: Entry): boolean {
  if (decision.words === undefined || decision.words === entry.words) return false
  if (skeleton(decision.words) !== skeleton(entry.words)) return true
  const before = decision.basis?.values ?? []
  const pairs = basisOf(entry).values.flatMap((now) => {
    const was = before.find((v) => v.words === now.words)
    return was ? [{ was, now }] : []
  })
  if (pairs.length === 0) return true
  return pairs.some(({ was, now }) => {
    const within = SAME_WITHIN[now.unit] ?? 0
    const beyond = now.value >= now.limit ? now.value - was.value : was.value - now.value
    return beyond > within
  })
}

/** Does the change of this entry make something that can be there or not? */
const makes = ({ change }: Entry): boolean =>
  change !== null && !('refer' in change || 'measure' in change || 'capture' in change)

/**
 * What has become of a decision, and whether its entry is open again beside it. Setting one thing aside, or
 * doing it, settles this one thing: another or worse finding under the same name is weighed up again.
 */
export function standingOf(
  decision: Decision,
  entry: Entry | null,
): { standing: Standing; isOpen: boolean } {
  if (!entry) return { standing: 'gone', isOpen: false }
  const changed = decision.words !== undefined && decision.words !== entry.words
  const otherwise: Standing = changed ? 'changed' : 'holds'
  if (decision.decision === 'accepted' && makes(entry))
    return entry.met
      ? { standing: otherwise, isOpen: false }
      : { standing: changed ? 'changed' : 'undone', isOpen: true }
  // Older decisions do not say what they were about: they settle what they were filed under, but for a stop.
  const isTold = decision.basis !== undefined || entry.kind === 'stop'
  const isOpen = isTold && isOtherOrWorse(decision, entry)
  return { standing: otherwise, isOpen }
}
