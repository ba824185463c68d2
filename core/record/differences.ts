import { keyWords } from './tableNumbers'
import { sameJson } from './sameJson'
import { valueWords } from './clashWords'

const MOST_LETTERS = 90
const short = (text: string) =>
  text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS - 1)}…` : text
const isFields = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * What differs between two states of a thing, in words: field by field, each as it was and is.
 *
 * @example differences({ massKg: 70, name: 'A' }, { massKg: 72, name: 'A' }) // ['mass, kg: 70 → 72']
 */
export function differences(before: unknown, after: unknown): string[] {
  const was = before ?? (isFields(after) ? {} : before)
  const is = after ?? (isFields(before) ? {} : after)
  if (!isFields(was) || !isFields(is))
    return sameJson(was, is) ? [] : [`${short(valueWords(was))} → ${short(valueWords(is))}`]
  return [...new Set([...Object.keys(was), ...Object.keys(is)])]
    .filter((key) => !sameJson(was[key], is[key]))
    .map((key) => {
      const [from, to] = [was[key], is[key]].map((v) =>
        v === undefined ? 'nothing' : valueWords(v),
      )
      return `${keyWords(key)}: ${short(from!)} → ${short(to!)}`
    })
}
