import { parseNumber } from './parseNumber'

/** What a typed number has to be. */
export interface TypedRange {
  low: number
  high: number
  whole?: boolean
}

/**
 * A typed number that lies within its range, or a sentence that says what it should have been.
 *
 * @param name what the number is, as it stands beside the field
 * @example typedInRange('12', 'Grinder', { low: 0, high: 20, whole: true }) // { value: 12 }
 */
export function typedInRange(
  text: string,
  name: string,
  { low, high, whole = false }: TypedRange,
): { value: number } | { trouble: string } {
  const value = parseNumber(text)
  if (value !== null && value >= low && value <= high && (!whole || Number.isInteger(value)))
    return { value }
  const kind = whole ? 'whole number' : 'number'
  return {
    trouble: `${name}: “${text}” is not a ${kind} from ${low} to ${high}. Nothing was changed.`,
  }
}
