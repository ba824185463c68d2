import type { FootwearModel } from '../footwear/catalogueSchema'
import { CATALOGUE_COLUMNS, catalogueCell } from './catalogueCsv'

/** What a file does to one model that the catalogue has. */
export interface ModelChanges {
  id: string
  name: string
  /** columns that say something else than before, or something where nothing was known */
  changed: { column: string; was: string; is: string }[]
  /** columns that were known and are not any more */
  lost: { column: string; was: string }[]
}

/** What keeping a file does to a catalogue. */
export interface CatalogueChanges {
  added: string[]
  /** models that are in the file as they are in the catalogue */
  same: number
  /** models that the file does not name: they stay */
  untouched: number
  models: ModelChanges[]
}

/**
 * What a catalogue would be after a file is kept, column by column, before it is: what is new, what says something
 * else, what is lost, and how much stays as it was.
 *
 * For instance a file of one model whose price went from 300 to 320 has one model with one change,
 * { column: 'price', was: '300', is: '320' }
 */
export function catalogueChanges(
  known: readonly FootwearModel[],
  file: readonly FootwearModel[],
): CatalogueChanges {
  const byId = new Map(known.map((m) => [m.id, m]))
  const out: CatalogueChanges = { added: [], same: 0, untouched: known.length, models: [] }
  for (const model of file) {
    const before = byId.get(model.id)
    if (!before) {
      out.added.push(model.name)
      continue
    }
    out.untouched--
    const one: ModelChanges = { id: model.id, name: model.name, changed: [], lost: [] }
    for (const column of CATALOGUE_COLUMNS) {
      const [was, is] = [catalogueCell(before, column), catalogueCell(model, column)]
      if (was === is) continue
      if (is === '') one.lost.push({ column, was })
      else one.changed.push({ column, was, is })
    }
    if (one.changed.length + one.lost.length === 0) out.same++
    else out.models.push(one)
  }
  return out
}

/** One model's changes in a line. For instance 'Fern Col: price 300 → 320; loses flex.index (95)' */
export function changeWords({ name, changed, lost }: ModelChanges): string {
  const other = changed.map(({ column, was, is }) => `${column} ${was || '–'} → ${is}`)
  const gone = lost.map(({ column, was }) => `loses ${column} (${was})`)
  return `${name}: ${[...gone, ...other].join('; ')}`
}
