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
/** A year of two digits up to this one is of this century; a client of the last is born later. */
const CENTURY_TURNS = 50
const LEAST_LETTERS = 3

const pad = (n: number, length = 2) => String(n).padStart(length, '0')
const title = (word: string) => word[0]!.toUpperCase() + word.slice(1)

/** Number of the month that a word begins, from 1; 0 for none. */
const monthOf = (word: string): number =>
  word.length < LEAST_LETTERS ? 0 : MONTHS.findIndex((m) => m.startsWith(word.toLowerCase())) + 1

function yearOf(text: string | undefined, thisYear: number): number {
  if (text === undefined) return thisYear
  const year = Number(text)
  if (text.length > 2) return year
  return year + (year <= CENTURY_TURNS ? 2000 : 1900)
}

/** Day, month and year of a text in the order of people: day first, or year first. */
function partsOf(text: string): [day: string, month: string, year: string | undefined] | null {
  const yearFirst = /^(\d{4})[-./ ](\d{1,2})[-./ ](\d{1,2})$/.exec(text)
  if (yearFirst) return [yearFirst[3]!, yearFirst[2]!, yearFirst[1]!]
  const dayFirst = /^(\d{1,2})[-./, ]+(\d{1,2}|[a-z]+)[-./, ]*(\d{4}|\d{2})?$/i.exec(text)
  if (dayFirst) return [dayFirst[1]!, dayFirst[2]!, dayFirst[3]]
  const monthFirst = /^([a-z]+)[-./, ]+(\d{1,2})(?:[-./, ]+(\d{4}|\d{2}))?$/i.exec(text)
  return monthFirst ? [monthFirst[2]!, monthFirst[1]!, monthFirst[3]] : null
}

/**
 * A day as people write it: `28 Nov 2026`, `28.11.26`, `28/11`, `Nov 28`, `2026-11-28`. Figures alone
 * are read day first; without a year it is this year's.
 *
 * @param thisYear the year that a day without one belongs to
 * @returns YYYY-MM-DD, or null where it is none
 * @example typedDay('28 nov', 2026) // '2026-11-28'
 */
export function typedDay(text: string, thisYear: number): string | null {
  const parts = partsOf(text.trim().replace(/\s+/g, ' '))
  if (!parts) return null
  const [day, month, year] = parts
  const number = /^\d/.test(month) ? Number(month) : monthOf(month)
  const iso = `${pad(yearOf(year, thisYear), 4)}-${pad(number)}-${pad(Number(day))}`
  return isDay(iso) ? iso : null
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
