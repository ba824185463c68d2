/**
 * Are two values of JSON the same? A field that is undefined counts as absent; the order of fields
 * does not matter.
 *
 * @example sameJson({ a: 1, b: undefined }, { a: 1 }) // true
 */
export function sameJson(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  if (Array.isArray(a) || Array.isArray(b))
    return (
      Array.isArray(a) &&
      Array.isArray(b) &&
      a.length === b.length &&
      a.every((value, i) => sameJson(value, b[i]))
    )
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>]
  return [...new Set([...Object.keys(x), ...Object.keys(y)])].every((key) =>
    sameJson(x[key], y[key]),
  )
}
