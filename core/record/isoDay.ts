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
