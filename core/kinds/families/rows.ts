import { z } from 'zod'
import { leastRoomRows, matchTargetRows } from '../../tables/footwearTargets'
import { tableOf } from '../../tables/table'
import { rowsOf } from '../registry'
import { FAMILIES, FAMILY_KINDS } from './all'

/** The shop's own bands of clearance, by `family.station`; the house's stand with the kinds. */
export const matchTargets = tableOf(
  matchTargetRows,
  (row) => z.record(z.string().regex(/^[a-z-]+\.\w+$/), row),
  {},
)

/** Least room before the toes, by family. */
export const leastRoomMm = tableOf(
  leastRoomRows,
  (row) => z.record(z.enum(FAMILIES), row),
  rowsOf(FAMILY_KINDS.all, (f) => f.leastRoomMm),
)
