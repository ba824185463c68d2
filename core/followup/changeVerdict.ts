import type { LeastChange } from '../measure/leastChange'

export const VERDICTS = [
  'better',
  'worse',
  'bigger',
  'smaller',
  'other',
  'no change',
  'only before',
  'only after',
] as const
export type Verdict = (typeof VERDICTS)[number]

/** Does a verdict tell that something is otherwise than it was? */
export const isChange = (verdict: Verdict): boolean =>
  verdict !== 'no change' && !verdict.startsWith('only')

/** What adding up decimals leaves. */
const ROUNDING = 1e-9

/**
 * What has become of a number between two visits: nothing below the smallest believable change;
 * beyond it better or worse where the direction of harm is known, else bigger or smaller.
 *
 * @param harm how bad a value is, larger is worse; absent where more is neither
 * For instance 10 mm, then 5 mm, of a fall that counts from 3 mm and harms by its size, is 'better'
 */
export function changeVerdict(
  before: number | null,
  after: number | null,
  { least, bias }: Pick<LeastChange, 'least' | 'bias'>,
  harm?: (value: number) => number,
): Verdict {
  if (before === null) return 'only after'
  if (after === null) return 'only before'
  const change = after - bias - before
  if (Math.abs(change) <= ROUNDING || Math.abs(change) < least - ROUNDING) return 'no change'
  const worse = harm ? harm(after - bias) - harm(before) : 0
  if (Math.abs(worse) > ROUNDING) return worse > 0 ? 'worse' : 'better'
  return change > 0 ? 'bigger' : 'smaller'
}
