import { stepWords, valueWords } from './clashWords'
import { entryKeys } from './entryKey'
import { sameJson } from './sameJson'

const MOST_LETTERS = 90
const short = (text: string) =>
  text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS - 1)}…` : text
const words = (value: unknown) => short(value === undefined ? 'nothing' : valueWords(value))
type Fields = Record<string, unknown>
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Entries of a list by what they are about; null where the list is one value. */
function byKey(list: string, value: unknown): Fields | null {
  if (!Array.isArray(value)) return null
  const keys = entryKeys(list, value)
  return keys && Object.fromEntries(keys.map((key, i) => [key, value[i]]))
}

/**
 * What differs between two states of a thing, in words: field by field and entry by entry, each as it
 * was and is. Entries of lists (a reading, a complaint, a layer) are found by what they are about.
 *
 * @param list name of the thing, by which entries of a list are known
 * @example differences({ massKg: 70, name: 'A' }, { massKg: 72, name: 'A' }) // ['mass, kg: 70 → 72']
 */
export function differences(before: unknown, after: unknown, list = ''): string[] {
  function tell(name: string, path: readonly string[], was: unknown, is: unknown): string[] {
    if (sameJson(was, is)) return []
    const [from, to] = [was, is].map((v) => (isFields(v) ? v : byKey(name, v)))
    const isThere = from && to
    // What is new or gone as a whole is told as one thing, but for the thing itself.
    const [a, b] = path.length === 0 ? [from ?? (to && {}), to ?? (from && {})] : [from, to]
    if (!a || !b || (path.length > 0 && !isThere)) {
      const told = `${words(was ?? undefined)} → ${words(is ?? undefined)}`
      return [path.length ? `${path.map(stepWords).join(', ')}: ${told}` : told]
    }
    // A list keeps its name for its entries; a field has its own.
    const isList = Array.isArray(was ?? is)
    return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) =>
      tell(isList ? '' : key, [...path, key], a[key], b[key]),
    )
  }
  return tell(list, [], before ?? undefined, after ?? undefined)
}
