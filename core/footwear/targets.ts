import { FAMILY_KINDS, type Family } from '../kinds/families/all'
import { STATION_KINDS, type Station } from '../kinds/stations/all'
import type { Norms } from '../record/tables'
import type { Band, TargetRow } from '../tables/footwearTargets'
import type { Intent } from '../tables/vocabulary'

/** Bands of a family at a station by intent, as the house has them. */
export const houseRow = (family: Family, station: Station): TargetRow =>
  FAMILY_KINDS.of(family).targets[station] ?? STATION_KINDS.of(station).target

/** Where the bands of a family at a station come from. */
export function targetSource(family: Family, station: Station): string {
  const { targets, sources } = FAMILY_KINDS.of(family)
  const own = sources[station]
  if (own) return own
  if (targets[station]) return 'house default of this family'
  if (family !== 'rigid-shell') return 'as rigid shells, house default'
  return STATION_KINDS.of(station).targetStated
    ? 'workshop practice for rigid shells, house default'
    : 'house default, after the nearest station'
}

/** The rows that a target band comes from. */
export type TargetRows = Pick<Norms, 'matchTargets' | 'growthRoomMm' | 'leastRoomMm'>

/**
 * Target band at a station for a family and an intent, mm, before the character of the foot moves
 * it. Growing feet have their own at the toes: `growthBand`.
 */
export function targetBand(
  station: Station,
  family: Family,
  intent: Intent,
  { matchTargets }: Pick<TargetRows, 'matchTargets'>,
): Band {
  return (matchTargets[`${family}.${station}`] ?? houseRow(family, station))[intent]
}

export type Verdict = 'tight' | 'snug' | 'right' | 'roomy' | 'loose'

/** Half of the tenth that a clearance is told to, mm: 0.96 is read as 1.0, and 1.0 lies in a band from 1. */
const AS_TOLD_MM = 0.05

/**
 * Below the band by more than a little tight, by less snug; inside right, as the number is told;
 * above by a little roomy, else loose.
 *
 * @example verdictOf(-1.5, [0, 3], HOUSE_NORMS.verdictMm) // 'snug'
 */
export function verdictOf(
  clearanceMm: number,
  [low, high]: Band,
  { tight, loose }: Norms['verdictMm'],
): Verdict {
  if (clearanceMm < low - AS_TOLD_MM) return low - clearanceMm > tight + 1e-9 ? 'tight' : 'snug'
  if (clearanceMm <= high + AS_TOLD_MM) return 'right'
  return clearanceMm - high <= loose + 1e-9 ? 'roomy' : 'loose'
}

/** A verdict in the words of its station. @example verdictWord('anklePocket', 'snug') // 'too high' */
export const verdictWord = (station: Station, verdict: Verdict): string =>
  STATION_KINDS.of(station).verdicts?.[verdict] ?? verdict
