import { z } from 'zod'

/** Is it a day of the calendar? @example isDay('2026-02-29') // false */
export function isDay(text: string): boolean {
  const at = new Date(`${text}T00:00:00Z`)
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text)
}

/** A day of the calendar, YYYY-MM-DD. */
export const isoDay = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, 'write the day as YYYY-MM-DD')
  .refine(isDay, 'there is no such day in the calendar')

const MS_A_DAY = 86_400_000
const msOf = (day: string) => Date.parse(`${day}T00:00:00Z`)

/** Days from one day to another. @example daysBetween('2026-10-24', '2026-10-26') // 2 */
export const daysBetween = (from: string, to: string): number =>
  Math.round((msOf(to) - msOf(from)) / MS_A_DAY)

/** The day so many days on. @example addDays('2026-12-30', 3) // '2027-01-02' */
export const addDays = (day: string, days: number): string =>
  new Date(msOf(day) + Math.round(days) * MS_A_DAY).toISOString().slice(0, 10)

/**
 * A day so many months later; the last of the month where that month is shorter. @example
 * monthsLater('2026-01-31', 1) // '2026-02-28'
 */
export function monthsLater(day: string, months: number): string {
  const [y, m, d] = day.split('-').map(Number)
  const last = new Date(Date.UTC(y!, m! - 1 + months + 1, 0)).getUTCDate()
  return new Date(Date.UTC(y!, m! - 1 + months, Math.min(d!, last))).toISOString().slice(0, 10)
}
