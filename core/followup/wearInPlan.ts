import { addDays } from '../record/isoDay'
import { isChild } from '../measure/ageAtVisit'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES } from '../tables/vocabulary'
import { slowWearIn } from './wearIn'

/** One day of wearing in. */
export interface WearInDay {
  /** ISO day */
  on: string
  minutes: number
  words: string
  /** what must hold before this day is worn as written */
  only?: string
}

/** Whole and half hours as hours, anything else as minutes: 60 is '1 hour', 45 '45 minutes'. */
export const inHours = (minutes: number): string =>
  minutes % 30 || minutes < 60
    ? `${minutes} minutes`
    : `${minutes / 60} ${minutes === 60 ? 'hour' : 'hours'}`
/** Between the first step and the second: '1 to 2 hours' at the house's pace. */
export const firstDay = (firstMin: number, addMin: number): string =>
  firstMin % 60 || addMin % 60
    ? `${firstMin} to ${firstMin + addMin} minutes`
    : `${firstMin / 60} to ${inHours(firstMin + addMin)}`

/**
 * Which pace: at risk by half hours with a look at the skin; children and stiff feet slower;
 * everybody else an hour more a day.
 */
export function wearInPace(record: FittingRecord): 'usual' | 'gentle' | 'atRisk' {
  if (slowWearIn(record)) return 'atRisk'
  const stiff = SIDES.some((s) =>
    Object.values(record.feet[s]?.findings?.mobility ?? {}).includes('stiff'),
  )
  return stiff || isChild(record.client, record.visit?.on) ? 'gentle' : 'usual'
}

/**
 * Wearing in as dates, day by day up to a full day, then a day of sport. At risk every step up
 * holds only if redness is gone in 20 minutes.
 *
 * @param startOn ISO day of the first wear
 * For instance `wearInPlan(record, '2026-11-26')[2]` is { on: '2026-11-28', minutes: 180, … } at the
 *   usual pace
 */
export function wearInPlan(record: FittingRecord, startOn: string): WearInDay[] {
  const pace = wearInPace(record)
  const { wearInPaces } = normsOf(record)
  const { firstMin, addMin, everyDays } = wearInPaces[pace]
  const { fullDayMin } = wearInPaces
  const days: WearInDay[] = []
  for (let k = 0; ; k++) {
    const minutes = Math.min(fullDayMin, firstMin + addMin * Math.floor(k / everyDays))
    days.push({
      on: addDays(startOn, k),
      minutes,
      words:
        pace === 'atRisk'
          ? `${minutes} min, then look at the skin${k === 0 ? '; ask someone if you cannot see it' : ''}`
          : k === 0 && pace === 'usual'
            ? firstDay(firstMin, addMin)
            : minutes === fullDayMin
              ? 'a full day'
              : inHours(minutes),
      ...(pace === 'atRisk' &&
        k > 0 && { only: 'only if redness was gone in 20 minutes; else the same again' }),
    })
    if (minutes === fullDayMin) break
  }
  if (pace !== 'atRisk')
    days.push({
      on: addDays(startOn, days.length),
      minutes: fullDayMin,
      words: 'sport',
      only: 'only after a full day without marks',
    })
  return days
}
