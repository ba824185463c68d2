/**
 * A typed number: point or comma as decimal mark; null when it is not one. @example
 * parseNumber('97,5') // 97.5
 */
export function parseNumber(token: string): number | null {
  const text = token
    .trim()
    .replace(/\s*(mm|°)$/i, '')
    .replace(',', '.')
  return /^[-+−]?(\d+\.?\d*|\.\d+)(e\d+)?$/i.test(text) ? Number(text.replace('−', '-')) : null
}
