import { NORM_KEYS } from '../tables'
import { completeTables } from './completeTables'

type Json = Record<string, unknown>

/**
 * What changed from one version of the record to the next, part by part: a part that is not named
 * is the same in both.
 */
export interface Step {
  from: number
  parts: Partial<Record<string, (content: unknown) => unknown>>
}

/**
 * Version 1 kept a whole table of the shop with a fitting. From version 2 on it keeps the rows it is
 * judged by; prices, processes, heat windows and stock are the shop's.
 */
const fromOne: Step = {
  from: 1,
  parts: { norms: (content) => completeTables(content, NORM_KEYS) },
}

/** Every step, oldest first. A new version adds one here, and a fixture of what went before. */
export const STEPS: readonly Step[] = [fromOne]

/** Where each part lies in a whole record. */
export const PLACES: readonly { part: string; path: readonly string[] }[] = [
  { part: 'norms', path: ['norms'] },
]

/** A value with what lies at a path changed; where nothing lies there it stays as it is. */
export function changedAt(
  value: unknown,
  [key, ...rest]: readonly string[],
  change: (v: unknown) => unknown,
): unknown {
  if (key === undefined) return change(value)
  if (typeof value !== 'object' || value === null || (value as Json)[key] === undefined)
    return value
  return { ...value, [key]: changedAt((value as Json)[key], rest, change) }
}
