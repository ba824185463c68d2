import { group } from 'd3-array'
import { numbersOf, type TableNumber } from '../../core/record/tableNumbers'
import { TABLES, type ShopTables, type TableKey } from '../../core/record/tables'

/** One line of the numbers: a table, or the thresholds of one rule. */
export interface NumberRow {
  key: TableKey
  id: string
  name: string
  unit: string
  source: string
  state: string
  numbers: TableNumber[]
}

const rowOf = (key: TableKey, id: string, name: string, numbers: TableNumber[]): NumberRow => {
  const { unit, source, state } = TABLES[key]
  return { key, id, name, unit, source, state, numbers }
}

/** One line a table. */
export const tableRows = (keys: readonly TableKey[], tables: ShopTables): NumberRow[] =>
  keys.map((key) => rowOf(key, key, TABLES[key].name, numbersOf(key, tables)))

/** One line a rule, in the order of the rules' thresholds. */
export function ruleRows(tables: ShopTables): NumberRow[] {
  const byRule = group(numbersOf('ruleThresholds', tables), ({ path }) =>
    path[0]!.slice(0, path[0]!.indexOf('.')),
  )
  return [...byRule].map(([rule, numbers]) =>
    rowOf('ruleThresholds', rule, rule.replaceAll('-', ' '), numbers),
  )
}

/** Does a line hold every word that is looked for, in its name, its labels or its source? */
export function holds(row: NumberRow, wanted: string): boolean {
  const text = [row.name, row.unit, row.source, ...row.numbers.map((n) => n.label)]
    .join(' ')
    .toLowerCase()
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word))
}
