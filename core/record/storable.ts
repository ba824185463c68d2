const HALF_PAIRS = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g

/**
 * A text as a database can hold it: without the character 0, and with a sign of replacement for
 * half of a pair, as an emoji leaves that was cut through.
 *
 * @example storable('a\u0000b') // 'ab'
 */
export const storable = (text: string): string =>
  text.replaceAll('\u0000', '').replace(HALF_PAIRS, '\ufffd')

/** Every text of a JSON value made storable, names of keys too. */
export function storableDeep(value: unknown): unknown {
  if (typeof value === 'string') return storable(value)
  if (Array.isArray(value)) return value.map(storableDeep)
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value).map(([key, v]) => [storable(key), storableDeep(v)]),
    )
  return value
}
