import { z } from 'zod'
import { isoDay } from '../core/record/isoDay'

const text = (most: number) => z.string().trim().max(most)

/** A clock time of a day, as 09:00. */
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'write a time as 09:00')
const span = z
  .strictObject({ from: clock, to: clock })
  .refine(({ from, to }) => from < to, 'it has to end after it begins')

export const WEEKDAYS = [
  ['1', 'Monday'],
  ['2', 'Tuesday'],
  ['3', 'Wednesday'],
  ['4', 'Thursday'],
  ['5', 'Friday'],
  ['6', 'Saturday'],
  ['7', 'Sunday'],
] as const
export type Weekday = (typeof WEEKDAYS)[number][0]

/** Hours by weekday; a day that is not named is none of them. Nothing at all: not told. */
export const hoursSchema = z.strictObject({
  '1': span.optional(),
  '2': span.optional(),
  '3': span.optional(),
  '4': span.optional(),
  '5': span.optional(),
  '6': span.optional(),
  '7': span.optional(),
})
export type Hours = z.output<typeof hoursSchema>

/** What papers say of a shop, and how its codes begin. */
export const shopDetailsSchema = z.strictObject({
  address: text(300).optional(),
  phone: text(40).optional(),
  mail: text(120)
    .regex(/^[^\s@]+@[^\s@]+$/, 'write it as name@place')
    .optional(),
  taxNumber: text(40).optional(),
  /** client codes begin so: two or three capitals before the number */
  initials: z
    .string()
    .regex(/^[A-Z]{1,4}$/, 'one to four capitals, as HR')
    .optional(),
  hours: hoursSchema.optional(),
})
export type ShopDetails = z.output<typeof shopDetailsSchema>

/** How a client reaches the shop, in one line for a paper; empty where nothing is told. */
export const contactWords = ({ address, phone, mail }: ShopDetails): string =>
  [address?.replace(/\s*\n\s*/g, ', '), phone, mail].filter(Boolean).join(' · ')

export const shopBody = z.strictObject({ name: text(80).min(1), details: shopDetailsSchema })
export type ShopState = z.output<typeof shopBody>

/** What somebody can do beside what their role lets them see: the bench and the calendar count on it. */
export const SKILLS = [
  ['bench', 'works at the bench'],
  ['grinds', 'grinds and stretches'],
  ['clients', 'sees clients'],
  ['children', 'sees children'],
] as const
export type Skill = (typeof SKILLS)[number][0]

const daysAway = z
  .strictObject({ from: isoDay, to: isoDay })
  .refine(({ from, to }) => from <= to, 'it has to end on the day it begins or later')

/** When somebody works and what they can do. */
export const workingSchema = {
  skills: z.array(z.enum(SKILLS.map(([kind]) => kind))).max(SKILLS.length),
  hours: hoursSchema,
  daysOff: z.array(daysAway).max(60),
}

/**
 * Does somebody work on a day? Whoever told no hours works on every day; nobody on a day away.
 *
 * @example isAtWork({ hours: { '1': { from: '09:00', to: '17:00' } }, daysOff: [] }, '2026-12-01') // false, a Tuesday
 */
export function isAtWork(
  { hours, daysOff }: { hours: Hours; daysOff: readonly { from: string; to: string }[] },
  day: string,
): boolean {
  if (daysOff.some(({ from, to }) => from <= day && day <= to)) return false
  const weekday = String(((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7) + 1) as Weekday
  return Object.keys(hours).length === 0 || hours[weekday] !== undefined
}
