/**
 * Rounds every number of a JSON-like value to 1e-6, so that printed results are readable and
 * stable.
 */
export function roundDeep<T>(value: T): T {
  if (typeof value === 'number') return (Math.round(value * 1e6) / 1e6) as T
  if (Array.isArray(value)) return value.map((v) => roundDeep(v)) as T
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, roundDeep(v)])) as T
  return value
}
