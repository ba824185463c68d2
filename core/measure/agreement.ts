import { mean } from 'd3-array'

/** What the tries of one thing say together. */
export interface Agreement {
  mean: number
  /** largest less smallest */
  spread: number
  /** so many tries count */
  trials: number
  /** the spread is above its limit: take another */
  repeat: boolean
  /** the two (from four on: three) closest tries lie within the limit */
  agreed: boolean
  /** indices of the odd tries that may be struck, empty where there is nothing to propose */
  odd: number[]
  /** five tries and none agree */
  notRepeatable: boolean
}

/** From so many tries on, three of them have to agree. */
const THREE_FROM = 4
/** After so many it is said that it does not repeat. */
const ENOUGH = 5
/** What adding up decimals leaves. */
const ROUNDING = 1e-9

/**
 * Mean, spread and agreement of tries that count. The range never shrinks by adding, so agreement is
 * judged by the closest two (three from four on); the odd ones are proposed for striking, never
 * struck.
 *
 * @param values tries of one thing in one unit
 * @param limit spread above which another is asked for, same unit
 * @returns null without a try
 * @example agreementOf([246, 252, 249], 3) // { mean: 249, spread: 6, trials: 3, repeat: true, agreed: true, odd: [1], notRepeatable: false }
 */
export function agreementOf(values: readonly number[], limit: number): Agreement | null {
  if (values.length === 0) return null
  const sorted = values.map((value, index) => ({ value, index })).sort((a, b) => a.value - b.value)
  const spread = sorted.at(-1)!.value - sorted[0]!.value
  const need = values.length >= THREE_FROM ? 3 : 2
  let closest: { from: number; width: number } | null = null
  for (let from = 0; from + need <= sorted.length; from++) {
    const width = sorted[from + need - 1]!.value - sorted[from]!.value
    if (!closest || width < closest.width) closest = { from, width }
  }
  const agreed = closest !== null && closest.width <= limit + ROUNDING
  const repeat = spread > limit + ROUNDING
  return {
    mean: mean(values)!,
    spread,
    trials: values.length,
    repeat,
    agreed,
    odd: repeat && agreed ? oddOnes(sorted, closest!.from, need, limit) : [],
    notRepeatable: values.length >= ENOUGH && !agreed,
  }
}

/** Tries beyond the limit from those that agree; where none is that far, whatever is not among them. */
function oddOnes(
  sorted: readonly { value: number; index: number }[],
  from: number,
  need: number,
  limit: number,
): number[] {
  const inside = sorted.slice(from, from + need)
  const centre = mean(inside, (t) => t.value)!
  const outside = sorted.filter((t) => !inside.includes(t)).sort((a, b) => a.index - b.index)
  const far = outside.filter((t) => Math.abs(t.value - centre) > limit)
  return (far.length > 0 ? far : outside).map((t) => t.index)
}
