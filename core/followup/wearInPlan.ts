import { addDays } from '../record/isoDay'
import { isChild } from '../measure/ageAtVisit'
import type { FittingRecord } from '../record/schema'
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

/**
 * Pace of wearing in, minutes (house defaults): first day, added a day, days between two steps up,
 * a full day.
 */
const WEAR_IN = {
  usual: { firstMin: 60, addMin: 60, everyDays: 1 },
  gentle: { firstMin: 60, addMin: 60, everyDays: 2 },
  atRisk: { firstMin: 30, addMin: 30, everyDays: 1 },
  fullDayMin: 480,
} as const

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
  const { firstMin, addMin, everyDays } = WEAR_IN[pace]
  const days: WearInDay[] = []
  for (let k = 0; ; k++) {
    const minutes = Math.min(WEAR_IN.fullDayMin, firstMin + addMin * Math.floor(k / everyDays))
    days.push({
      on: addDays(startOn, k),
      minutes,
      words:
        pace === 'atRisk'
          ? `${minutes} min, then look at the skin${k === 0 ? '; ask someone if you cannot see it' : ''}`
          : k === 0 && pace === 'usual'
            ? '1 to 2 hours'
            : minutes === WEAR_IN.fullDayMin
              ? 'a full day'
              : `${minutes / 60} ${minutes === 60 ? 'hour' : 'hours'}`,
      ...(pace === 'atRisk' &&
        k > 0 && { only: 'only if redness was gone in 20 minutes; else the same again' }),
    })
    if (minutes === WEAR_IN.fullDayMin) break
  }
  if (pace !== 'atRisk')
    days.push({
      on: addDays(startOn, days.length),
      minutes: WEAR_IN.fullDayMin,
      words: 'sport',
      only: 'only after a full day without marks',
    })
  return days
}
