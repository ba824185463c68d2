import { isDay } from './isoDay'

const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
] as const
const LEAST_LETTERS = 3

const pad = (n: number, length = 2) => String(n).padStart(length, '0')
const title = (word: string) => word[0]!.toUpperCase() + word.slice(1)

/** Number of the month that a word begins, from 1; 0 for none. */
const monthOf = (word: string): number =>
  word.length < LEAST_LETTERS ? 0 : MONTHS.findIndex((m) => m.startsWith(word.toLowerCase())) + 1

/** Day, month and year of a text in the order of people: day first, or year first. */
function partsOf(text: string): [day: string, month: string, year: string | undefined] | null {
  const yearFirst = /^(\d{4})[-./ ](\d{1,2})[-./ ](\d{1,2})$/.exec(text)
  if (yearFirst) return [yearFirst[3]!, yearFirst[2]!, yearFirst[1]!]
  const dayFirst = /^(\d{1,2})[-./, ]+(\d{1,2}|[a-z]+)[-./, ]*(\d{4}|\d{2})?$/i.exec(text)
  if (dayFirst) return [dayFirst[1]!, dayFirst[2]!, dayFirst[3]]
  const monthFirst = /^([a-z]+)[-./, ]+(\d{1,2})(?:[-./, ]+(\d{4}|\d{2}))?$/i.exec(text)
  return monthFirst ? [monthFirst[2]!, monthFirst[1]!, monthFirst[3]] : null
}

/** No day before it is anybody's birthday, and so many years ahead nothing is promised. */
export const FIRST_DAY = '1900-01-01'
const YEARS_AHEAD = 10

/** The last day that is taken, seen from a day. @example lastDay('2026-11-28') // '2036-11-28' */
export const lastDay = (today: string): string =>
  `${Number(today.slice(0, 4)) + YEARS_AHEAD}${today.slice(4)}`

/**
 * A day as people write it: `28 Nov 2026`, `28.11.2026`, `28/11`, `Nov 28`, `2026-11-28`. Figures
 * alone are read day first; without a year it is this year's. Anything that may mean two days, or
 * none, is asked.
 *
 * @param today the day it is, by which a day without a year and the last one are known
 * @param min first day that is taken
 * @param max last day that is taken
 * @returns YYYY-MM-DD, or a sentence that says what to write
 * @example typedDay('28 nov', { today: '2026-03-01' }) // { day: '2026-11-28' }
 */
export function typedDay(
  text: string,
  {
    today,
    min = FIRST_DAY,
    max = lastDay(today),
  }: { today: string; min?: string | undefined; max?: string | undefined },
): { day: string } | { trouble: string } {
  const none = { trouble: `“${text}” is not a day. Write it as ${dayWords('2026-11-28')}.` }
  const parts = partsOf(text.trim().replace(/\s+/g, ' '))
  if (!parts) return none
  const [day, month, year = today.slice(0, 4)] = parts
  const number = /^\d/.test(month) ? Number(month) : monthOf(month)
  if (year.length === 2)
    return { trouble: `19${year} or 20${year}? Write the year with four figures.` }
  const iso = `${pad(Number(year), 4)}-${pad(number)}-${pad(Number(day))}`
  if (!isDay(iso)) return none
  if (iso < min) return { trouble: `Not before ${dayWords(min)}.` }
  if (iso > max) return { trouble: `Not after ${dayWords(max)}.` }
  return { day: iso }
}

/**
 * A day in words, the same everywhere.
 *
 * @param iso YYYY-MM-DD
 * @example dayWords('2026-11-28') // '28 Nov 2026'
 */
export function dayWords(iso: string): string {
  const [year, month, day] = iso.split('-').map(Number)
  return `${day} ${title(MONTHS[month! - 1]!).slice(0, LEAST_LETTERS)} ${year}`
}
