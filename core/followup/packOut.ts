import { verdictOf, type Band } from '../footwear/targets'

/** How much of its thickness a liner or foam has lost after some days of use: share = end·(1 − e^(−days/scale)). */
export interface PackOut {
  endShare: number
  scaleDays: number
  /** how many observations it rests on; 0 is the house default */
  count: number
}

/** House default: 10 % by day 10, 20 % in the end; so the scale is 10/ln 2 days. */
export const HOUSE_PACK_OUT: PackOut = { endShare: 0.2, scaleDays: 10 / Math.LN2, count: 0 }

/** Share of thickness lost by a day of use. @example packedOut(HOUSE_PACK_OUT, 10) // 0.1 */
export const packedOut = ({ endShare, scaleDays }: PackOut, days: number): number =>
  endShare * (1 - Math.exp(-Math.max(0, days) / scaleDays))

/**
 * Fits the saturating curve to what was seen: the share lost at so many days of use. Least squares over the scale, the end share follows; the
 * house curve counts as two observations at days 10 and 60, so that one reading does not overturn it.
 *
 * @param seen share 0–1 by days of use
 */
export function fitPackOut(seen: readonly { days: number; share: number }[]): PackOut {
  if (seen.length === 0) return HOUSE_PACK_OUT
  const all = [
    ...seen,
    ...[10, 60].map((days) => ({ days, share: packedOut(HOUSE_PACK_OUT, days) })),
  ]
  let best = { sum: Infinity, endShare: 0, scaleDays: 0 }
  for (let scaleDays = 1; scaleDays <= 200; scaleDays *= 1.02) {
    const shape = all.map((o) => 1 - Math.exp(-o.days / scaleDays))
    const endShare = Math.min(
      0.9,
      Math.max(
        0,
        shape.reduce((s, v, i) => s + v * all[i]!.share, 0) / shape.reduce((s, v) => s + v * v, 0),
      ),
    )
    const sum = all.reduce((s, o, i) => s + (o.share - endShare * shape[i]!) ** 2, 0)
    if (sum < best.sum) best = { sum, endShare, scaleDays }
  }
  return { endShare: best.endShare, scaleDays: best.scaleDays, count: seen.length }
}

/**
 * Days of use until a clearance leaves its band through the top, and until it is loose; null where packing out never gets there.
 *
 * @param newMm clearance with the liner as new, mm a side
 * @param linerMm thickness of the liner there
 * @example looseAfter(0, 10, [0, 1], HOUSE_PACK_OUT).roomyDays // 10: half of its end share of 2 mm
 */
export function looseAfter(
  newMm: number,
  linerMm: number,
  band: Band,
  curve: PackOut,
): {
  roomyDays: number | null
  looseDays: number | null
  endVerdict: ReturnType<typeof verdictOf>
} {
  const daysTo = (limitMm: number): number | null => {
    const share = (limitMm - newMm) / linerMm
    if (share <= 0) return 0
    return linerMm <= 0 || share >= curve.endShare
      ? null
      : -curve.scaleDays * Math.log(1 - share / curve.endShare)
  }
  return {
    roomyDays: daysTo(band[1]),
    looseDays: daysTo(band[1] + 3),
    endVerdict: verdictOf(newMm + linerMm * curve.endShare, band),
  }
}
