import { migratePart } from '../../core/record/migrate/migrate'
import type { PartName, Parts } from '../../core/record/parts'

/** A part as it lies in its row: under the version of the record it was written with. */
export interface StoredPart {
  content: unknown
  recordVersion: number
}

/** A fitting's parts in one column, for statements that group by fitting. */
export const PARTS_COLUMN = `jsonb_object_agg(p.part, jsonb_build_object('content', p.content, 'recordVersion', p.record_version))`

/** Stored parts in the shape of today. */
export const partsOf = (stored: Readonly<Record<string, StoredPart>> | null): Parts =>
  Object.fromEntries(
    Object.entries(stored ?? {}).map(([part, { content, recordVersion }]) => [
      part,
      migratePart(part, content, recordVersion),
    ]),
  ) as Parts

/** One stored part in the shape of today. */
export const partContent = (part: PartName, content: unknown, recordVersion: number): unknown =>
  migratePart(part, content, recordVersion)
