import { CHOICES, FINDINGS, type AnyFinding, type Findings } from '../kinds/findings/all'
import type { Verdict } from './changeVerdict'
import { sameJson } from '../record/sameJson'
import type { Norms } from '../record/tables'

/** A finding that is no angle, as it was and as it is, in words. */
export interface FindingChange {
  what: string
  name: string
  before: string | null
  after: string | null
  verdict: Verdict
}

/** Told by its sum, beside the derived numbers. */
const TOLD_ELSEWHERE: ReadonlySet<string> = new Set(['posture'])

/**
 * Findings that are words, flags or lists, in two visits: better or worse where their kind knows
 * which way harm lies, else 'other'.
 *
 * For instance pulses 'both', then 'weak' is 'worse'
 */
export const compareFindings = (
  before: Findings | undefined,
  after: Findings | undefined,
  counts: Norms['changeCounts'],
): FindingChange[] =>
  FINDINGS.all.flatMap((kind): FindingChange[] => {
    if (kind.as === 'angle' || TOLD_ELSEWHERE.has(kind.kind)) return []
    const [was, is] = [before, after].map((f) => f?.[kind.kind as keyof Findings])
    const [wasWords, isWords] = [was, is].map((v) => (v === undefined ? null : sheetOf(kind, v)))
    if (wasWords === null && isWords === null) return []
    const verdict: Verdict =
      wasWords === null
        ? 'only after'
        : isWords === null
          ? 'only before'
          : sameJson(was, is)
            ? 'no change'
            : verdictOf(kind, was, is, counts)
    return [{ what: kind.kind, name: kind.name, before: wasWords!, after: isWords!, verdict }]
  })

const sheetOf = (kind: AnyFinding, value: unknown) =>
  (kind.sheet as (value: unknown) => string | null)(value)

function harmOf(kind: AnyFinding, value: unknown): number | null {
  if (kind.as === 'choice') return CHOICES.of(kind.kind).harm?.[value as never] ?? null
  return kind.as === 'own'
    ? ((kind.harm as ((v: unknown) => number | null) | undefined)?.(value) ?? null)
    : null
}

function verdictOf(
  kind: AnyFinding,
  was: unknown,
  is: unknown,
  counts: Norms['changeCounts'],
): Verdict {
  const [before, after] = [harmOf(kind, was), harmOf(kind, is)]
  if (before === null || after === null || before === after) return 'other'
  const least = kind.kind in counts ? counts[kind.kind as keyof typeof counts] : 0
  if (Math.abs(after - before) < least) return 'no change'
  return after > before ? 'worse' : 'better'
}
