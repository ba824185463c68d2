import { z } from 'zod'
import { rowTable, table } from './table'

/** How far an activity moves the band of a station, mm; the rows stand with the activities. */
export const activityShiftRows = rowTable({
  name: 'Activity moves a target by',
  unit: 'mm',
  source: 'house default: feet swell and slide forward',
  state: 'own assumption',
  keptBy: 'fitting',
  row: z.number().min(-10).max(10),
})

/** How far a trait of the foot moves a band. */
export const characterShiftMm = table({
  name: 'A trait of the foot moves a target by',
  unit: 'mm',
  source: 'house default',
  state: 'own assumption',
  keptBy: 'fitting',
  schema: z.strictObject({
    loose: z.number().min(0).max(6),
    stiff: z.number().min(0).max(6),
    bony: z.number().min(0).max(6),
    numb: z.number().min(0).max(6),
  }),
  house: { loose: 1, stiff: 1, bony: 1.5, numb: 1 },
})
