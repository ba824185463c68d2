import { z } from 'zod'
import { matchTargetRows } from '../../tables/footwearTargets'
import { tableOf } from '../../tables/table'

/** The shop's own bands of clearance, by `family.station`; the house's stand with the kinds. */
export const matchTargets = tableOf(
  matchTargetRows,
  (row) => z.record(z.string().regex(/^[a-z-]+\.\w+$/), row),
  {},
)
