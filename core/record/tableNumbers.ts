import { TABLES, type ShopTables, type TableKey } from './tables'
import type { Table } from '../tables/table'

/** One number of a table: where it stands in it, what it is called, what it is and what the house's is. */
export interface TableNumber {
  /** keys and places from the table inwards; empty where the table is one number */
  path: readonly string[]
  label: string
  value: number
  /** null where the house has no such row */
  house: number | null
}

const UNITS = { Mm2: 'mm²', Mm: 'mm', Min: 'min', Deg: '°', Kg: 'kg', Kmh: 'km/h' } as const

/**
 * A key as people read it, its unit after a comma.
 *
 * @example keyWords('leastRoomMm') // 'least room, mm'
 */
export function keyWords(key: string): string {
  const unit = Object.keys(UNITS).find((u) => key.endsWith(u) && key !== u) as keyof typeof UNITS
  const words = (unit ? key.slice(0, -unit.length) : key)
    .replace(/([a-z])([A-Z0-9])/g, '$1 $2')
    .replaceAll('-', ' ')
    .toLowerCase()
  return unit ? `${words}, ${UNITS[unit]}` : words
}

const isPlace = (key: string) => /^\d+$/.test(key)
/** Places of a list are called by their number, from 1; one number needs no label. */
const labelOf = (path: readonly string[]): string =>
  path.map((key) => (isPlace(key) ? String(Number(key) + 1) : keyWords(key))).join(' ')

const inside = (value: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], value)

function* leaves(value: unknown, path: string[] = []): Generator<[string[], number]> {
  if (typeof value === 'number') yield [path, value]
  else if (typeof value === 'object' && value !== null)
    for (const [key, inner] of Object.entries(value)) yield* leaves(inner, [...path, key])
}

/**
 * Every number of a table in its order, so that a screen can show any table without knowing it.
 *
 * @example numbersOf('growthRoomMm', HOUSE_TABLES)[1]
 *   // { path: ['hard', '1'], label: 'hard 2', value: 10, house: 10 }
 */
export function numbersOf(key: TableKey, tables: ShopTables): TableNumber[] {
  const { labels = {}, house } = TABLES[key] as Table
  return [...leaves(tables[key])].map(([path, value]) => {
    const own = inside(house, path)
    return {
      path,
      label: labels[path.join('.')] ?? labelOf(path),
      value,
      house: typeof own === 'number' ? own : null,
    }
  })
}

/**
 * The table with one number changed, as its own schema takes it.
 *
 * @throws RangeError that says from where to where, if the schema refuses the number
 * @example withNumber('archSizeMm', HOUSE_TABLES, ['by'], 7) // { watch: 3, by: 7 }
 */
export function withNumber<K extends TableKey>(
  key: K,
  tables: ShopTables,
  path: readonly string[],
  value: number,
): ShopTables[K] {
  const put = (at: unknown, [next, ...rest]: readonly string[]): unknown => {
    if (next === undefined) return value
    const copy = Array.isArray(at) ? [...at] : { ...(at as object) }
    ;(copy as Record<string, unknown>)[next] = put((at as Record<string, unknown>)[next], rest)
    return copy
  }
  const { name, schema } = TABLES[key] as Table
  const parsed = schema.safeParse(put(tables[key], path))
  if (parsed.success) return parsed.data as ShopTables[K]
  throw new RangeError(`${name}: ${value} is not taken: ${parsed.error.issues[0]!.message}.`)
}
