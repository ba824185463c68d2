import { z } from 'zod'
import { hardBoundsRows, ratioRows, repeatLimitRows } from '../../tables/readingLimits'
import { tableOf } from '../../tables/table'
import { rowsOf } from '../registry'
import { READING_KINDS, READINGS, type ReadingKind } from './all'

const what = z.enum(READING_KINDS)

/** Bounds, repeat limits and usual shares of all readings: the rows of their kinds. */
export const hardBoundsMm = tableOf(
  hardBoundsRows,
  (row) => z.record(what, row),
  rowsOf(READINGS.all, (d): [number, number] => [...d.boundsMm]),
)
export const repeatLimitMm = tableOf(
  repeatLimitRows,
  (row) => z.record(what, row),
  rowsOf(READINGS.all, (d) => d.repeatMm),
)
export const ratioToLength = tableOf(
  ratioRows,
  (row) => z.partialRecord(what, row),
  Object.fromEntries(READINGS.all.flatMap((d) => (d.ratio ? [[d.kind, d.ratio]] : []))) as Partial<
    Record<ReadingKind, { mean: number; sd: number; state?: string }>
  >,
)
