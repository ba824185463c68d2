import type { z } from 'zod'

/** Where a number comes from: only `checked` may be named as a source to users. */
export type SourceState = 'checked' | 'from memory' | 'own assumption'

/** What Settings says of a subject, and who keeps it. */
export interface TableNote {
  name: string
  unit: string
  source: string
  state: SourceState
  /**
   * `fitting`: a fitting keeps the rows it is judged by, as they were on its first day; `shop`: the
   * shop's of today, as prices, processes and stock
   */
  keptBy: 'fitting' | 'shop'
}

/** A subject that people may argue about: its note, its shape and the house's value. */
export interface Table<
  S extends z.ZodType = z.ZodType,
  W extends TableNote['keptBy'] = TableNote['keptBy'],
> extends TableNote {
  keptBy: W
  schema: S
  /** what a number is called, by its place (`a.b`), where its key does not say it */
  labels?: Readonly<Record<string, string>>
  house: z.output<S>
}

/** A subject with one row a kind: the rows' house values stand with the kinds. */
export interface RowTable<
  R extends z.ZodType = z.ZodType,
  W extends TableNote['keptBy'] = TableNote['keptBy'],
> extends TableNote {
  keptBy: W
  row: R
}

/** Keeps schema and keeper in the type of a table. */
export const table = <S extends z.ZodType, const W extends TableNote['keptBy']>(
  definition: Table<S, W>,
): Table<S, W> => definition

/** Keeps the row's schema and the keeper in the type of a table. */
export const rowTable = <R extends z.ZodType, const W extends TableNote['keptBy']>(
  definition: RowTable<R, W>,
): RowTable<R, W> => definition

/** A table of rows, made from the kinds that have them. */
export const tableOf = <
  R extends z.ZodType,
  const W extends TableNote['keptBy'],
  S extends z.ZodType,
>(
  { row, ...note }: RowTable<R, W>,
  schema: (row: R) => S,
  house: z.output<S>,
): Table<S, W> => ({ ...note, schema: schema(row), house })
