import { TABLES, type TableKey } from '../tables'
import { movedRows } from './movedRows'

type Plain = Record<string, unknown>
const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** A stored value with what it does not have yet taken from the house's, key by key. */
function completed(house: unknown, stored: unknown): unknown {
  if (stored === undefined) return house
  if (Array.isArray(house) && Array.isArray(stored)) return stored.map((row) => rowOf(house, row))
  if (!isPlain(house) || !isPlain(stored)) return stored
  return {
    ...stored,
    ...Object.fromEntries(
      Object.entries(house).map(([key, value]) => [key, completed(value, stored[key])]),
    ),
  }
}

/** A row of a stored list; the house's row of the same name gives what it does not have yet. */
function rowOf(house: unknown[], row: unknown): unknown {
  if (!isPlain(row) || row.id === undefined) return row
  const same = house.find((h) => isPlain(h) && h.id === row.id && h.sizeMm === row.sizeMm)
  return same === undefined ? row : completed(same, row)
}

/**
 * Tables as somebody stored them earlier, completed key by key: a reading, a limit or a whole table
 * that did not exist then is the house's, everything that was stored stays. Lists are the shop's
 * own: no row comes back that was taken out, and a row that stayed is completed by the house's of
 * the same id.
 *
 * @param keys the tables wanted; stored ones that are not among them are left out
 * @example completeTables({ growthCapMm: 6 }, ['growthCapMm', 'allowanceMm']).growthCapMm // 6; the allowance is the house's
 */
export function completeTables(from: unknown, keys: readonly TableKey[]): unknown {
  if (!isPlain(from)) return from
  const stored = movedRows(from)
  const known = new Set<string>(Object.keys(TABLES))
  const rest = Object.fromEntries(Object.entries(stored).filter(([key]) => !known.has(key)))
  return {
    ...rest,
    ...Object.fromEntries(keys.map((key) => [key, completed(TABLES[key].house, stored[key])])),
  }
}
