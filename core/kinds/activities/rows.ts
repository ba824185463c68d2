import { z } from 'zod'
import { cuffOnRows } from '../../tables/flex'
import { activityShiftRows } from '../../tables/footwearShifts'
import { tableOf } from '../../tables/table'
import { ACTIVITIES } from './all'

/** How far each activity moves a band, by `activity.station`. */
export const activityShiftMm = tableOf(
  activityShiftRows,
  (row) => z.record(z.string().regex(/^[a-z-]+\.\w+$/), row),
  Object.fromEntries(
    ACTIVITIES.all.flatMap((d) =>
      Object.entries(d.shiftMm).map(([station, mm]) => [`${d.kind}.${station}`, mm]),
    ),
  ),
)

/** What each ground asks of a cuff, by `activity.ground`. */
export const cuffOnTerrain = tableOf(
  cuffOnRows,
  (row) => z.record(z.string().max(120), row),
  Object.fromEntries(
    ACTIVITIES.all.flatMap((d) =>
      Object.entries(d.cuffOn).map(([ground, cuff]) => [`${d.kind}.${ground}`, cuff]),
    ),
  ),
)
