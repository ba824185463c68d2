import { CALIPER_PLACES, type CaliperPlace, type Calipers } from '../device/calipers'

/** A difference is told from here on, mm: less is the caliper's and the hand's. */
const TOLD_MM = 0.5

/** What each number is called, and what makes it more or less than it should be. */
const PLACES: Record<CaliperPlace, { name: string; more: string; less: string }> = {
  heelMm: {
    name: 'heel thickness',
    more: 'the underside was not ground, or there is glue below',
    less: 'ground too far, or the sheet ran thin over the heel',
  },
  archMm: {
    name: 'arch over the bench',
    more: 'the front edge stands high, or the sheet was lifted off warm',
    less: 'the sheet did not follow the positive: too cool, or too short under pressure; or the front is ground away',
  },
  postMm: {
    name: 'post at its high corner',
    more: 'not ground to its angle yet',
    less: 'ground too far: its angle is less than was asked',
  },
}

/** The names alone, for whoever asks for the numbers. */
export const CALIPER_NAMES = Object.fromEntries(
  CALIPER_PLACES.map((place) => [place, PLACES[place].name]),
) as Record<CaliperPlace, string>

/** One number of a finished device against what it should be. */
export interface MadeDifference {
  place: CaliperPlace
  name: string
  askedMm: number
  measuredMm: number
  differenceMm: number
  /** what it is likely to come from; null where it is as it should be */
  cause: string | null
}

/**
 * What was measured on a finished device against its body: a difference over half a millimetre is told with
 * what it is likely to come from.
 * For instance a heel of 5.2 where 6 was asked differs by −0.8 and was ground too far.
 */
export const checkMade = (
  asked: Calipers,
  measured: Partial<Record<CaliperPlace, number | undefined>>,
): MadeDifference[] =>
  CALIPER_PLACES.flatMap((place) => {
    const [should, is] = [asked[place], measured[place]]
    if (should === null || is === undefined) return []
    const differenceMm = is - should
    const { name, more, less } = PLACES[place]
    const cause = Math.abs(differenceMm) <= TOLD_MM ? null : differenceMm > 0 ? more : less
    return [{ place, name, askedMm: should, measuredMm: is, differenceMm, cause }]
  })

/** The numbers of a device as its ticket says them. */
export const caliperWords = (asked: Calipers): string =>
  CALIPER_PLACES.flatMap((place) =>
    asked[place] === null ? [] : [`${PLACES[place].name} ${asked[place].toFixed(1)} mm`],
  ).join(', ')
