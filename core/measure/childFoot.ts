import { scaleLinear } from 'd3-scale'
import { daysBetween } from '../record/isoDay'
import type { FittingRecord } from '../record/schema'
import { normsOf, type Norms } from '../record/tables'
import { FIRST_YEARS, LAST_YEARS } from '../tables/childNorms'
import type { Side } from '../tables/vocabulary'
import { isChild } from './ageAtVisit'
import { bestMean } from './reading'
import { shareBelow } from './shareBelow'

/** A value of a child's foot among children of its age: never a class. */
export interface AmongChildren {
  valueMm: number
  /** usual at this age */
  usualMm: number
  /** of a hundred children of this age so many are below */
  percentile: number
}

/** A growing foot among its likes, by the house's own table until the shop has one. */
export interface ChildFoot {
  ageYears: number
  footLength?: AmongChildren
  /** for its own length */
  forefootWidth?: AmongChildren
  source: string
}

const DAYS_A_YEAR = 365.2425
const SOURCE = 'own assumption of the house, to be replaced by the shop’s own norms'

type Rows = Pick<Norms, 'childNorms'>

/**
 * Usual standing foot length at an age, mm: between birthdays on a straight line; girls' and boys' mean where the
 * sex is not told.
 *
 * @example usualLengthMm(9.5, 'female', HOUSE_NORMS) // 212.5
 */
export function usualLengthMm(
  ageYears: number,
  sex: string | undefined,
  { childNorms }: Rows,
): number {
  const { girlsMm, boysMm, youngerMm } = childNorms
  const row =
    sex === 'female'
      ? girlsMm
      : sex === 'male'
        ? boysMm
        : girlsMm.map((g, i) => (g + boysMm[i]!) / 2)
  if (ageYears < FIRST_YEARS) return Math.max(60, row[0]! - youngerMm * (FIRST_YEARS - ageYears))
  const at = Math.min(ageYears, LAST_YEARS) - FIRST_YEARS
  const from = Math.min(Math.floor(at), row.length - 2)
  return row[from]! + (at - from) * (row[from + 1]! - row[from]!)
}

/** Forefoot width for length at an age. @example usualWidthShare(12, HOUSE_NORMS) // 0.38 */
export const usualWidthShare = (ageYears: number, { childNorms }: Rows): number =>
  scaleLinear()
    .domain([FIRST_YEARS, 12, 16])
    .range([...childNorms.widthShare])
    .clamp(true)(ageYears)

/**
 * Length and width of a child's foot with their percentiles; undefined for a grown client.
 *
 * For instance a girl of 9 years with a foot of 208 mm is at the 50th percentile
 */
export function childFootOf(record: FittingRecord, side: Side): ChildFoot | undefined {
  const { client, visit } = record
  const foot = record.feet[side]
  if (!foot || !client?.bornOn || !visit?.on || !isChild(client, visit.on)) return undefined
  const norms = normsOf(record)
  const ageYears = Math.max(0, daysBetween(client.bornOn, visit.on) / DAYS_A_YEAR)
  const among = (valueMm: number, usualMm: number): AmongChildren => ({
    valueMm,
    usualMm,
    percentile: Math.round(
      100 * shareBelow((valueMm - usualMm) / (norms.childNorms.sdShare * usualMm)),
    ),
  })
  const length = bestMean(foot, 'footLengthMm', 'standing')
  const width = bestMean(foot, 'forefootWidthMm', 'standing')
  return {
    ageYears: Number(ageYears.toFixed(2)),
    ...(length !== undefined && {
      footLength: among(length, usualLengthMm(ageYears, client.sex, norms)),
    }),
    ...(length !== undefined &&
      width !== undefined && {
        forefootWidth: among(width, length * usualWidthShare(ageYears, norms)),
      }),
    source: SOURCE,
  }
}
