import { z } from 'zod'
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
