import { parseNumber } from '../../core/measure/parseNumber'
import { withNumber } from '../../core/record/tableNumbers'
import type { ShopTables, TableKey } from '../../core/record/tables'

/**
 * A number that was typed into a place of a table: the change of the draft, or the sentence that it
 * was refused with.
 *
 * @param name what the number belongs to, as the sentence begins
 */
export function typedTableNumber(
  draft: ShopTables,
  { key, path, name }: { key: TableKey; path: readonly string[]; name: string },
  text: string,
): { change: Partial<ShopTables> } | { trouble: string } {
  const value = parseNumber(text)
  if (value === null) return { trouble: `${name}: “${text}” is not a number. Nothing was changed.` }
  try {
    return { change: { [key]: withNumber(key, draft, path, value) } }
  } catch (error) {
    const said = (error as RangeError).message
    return { trouble: `${said.startsWith(name) ? '' : `${name}: `}${said} Nothing was changed.` }
  }
}
