import { isDay } from '../record/isoDay'

/** From this age on adult classes are shown. */
export const ADULT_FROM_YEARS = 16

/**
 * Whole years between two ISO days.
 *
 * @example ageInYears('1985-03-02', '2026-11-20') // 41
 */
export function ageInYears(bornOn: string, on: string): number {
  const years = Number(on.slice(0, 4)) - Number(bornOn.slice(0, 4))
  return on.slice(5) < bornOn.slice(5) ? years - 1 : years
}

/** Is the client a child as far as adult classes go? Unknown age counts as adult. */
export function isChild(client: { bornOn?: string } | undefined, on: string | undefined): boolean {
  return (
    client?.bornOn !== undefined &&
    on !== undefined &&
    ageInYears(client.bornOn, on) < ADULT_FROM_YEARS
  )
}

/**
 * The first day on which a client no longer counts as a child.
 *
 * @example firstAdultDay('2012-02-29') // '2028-02-29'
 */
export function firstAdultDay(bornOn: string): string {
  const day = `${Number(bornOn.slice(0, 4)) + ADULT_FROM_YEARS}${bornOn.slice(4)}`
  // Whoever was born on a leap day is a year older after the last of February.
  return isDay(day) ? day : `${day.slice(0, 4)}-03-01`
}
