import { verdictOf } from '../footwear/targets'
import type { Norms } from '../record/tables'
import type { Band } from '../tables/footwearTargets'

/**
 * How much of its thickness a liner or foam has lost after some days of use: share = end·(1 −
 * e^(−days/scale)).
 */
export interface PackOut {
  endShare: number
  scaleDays: number
  /** how many observations it rests on; 0 where nobody measured */
  count: number
}

/** The curve of the table, before anything was measured. */
export const tableCurve = ({ packOut }: Pick<Norms, 'packOut'>): PackOut => ({
  ...packOut,
  count: 0,
})

/** The curve of a model's liner before anything was measured: its own share, by the days of the table. */
export const statedCurve = (
  { liner }: { liner: { packOut: number } },
  { packOut }: Pick<Norms, 'packOut'>,
): PackOut => ({ endShare: liner.packOut, scaleDays: packOut.scaleDays, count: 0 })

/**
 * Share of thickness lost by a day of use.
 *
 * @example packedOut(HOUSE_NORMS.packOut, 10) // 0.1
 */
export const packedOut = (
  { endShare, scaleDays }: Pick<PackOut, 'endShare' | 'scaleDays'>,
  days: number,
): number => endShare * (1 - Math.exp(-Math.max(0, days) / scaleDays))

/**
 * Fits the saturating curve to what was seen: the share lost at so many days of use. Least squares
 * over the scale, the end share follows; what was taken before counts as two observations at days 10 and
 * 60, so that one reading does not overturn it.
 *
 * @param seen share 0–1 by days of use
 * @param before curve of the table, of the model, or of what the shop learned of it
 */
export function fitPackOut(
  seen: readonly { days: number; share: number }[],
  before: PackOut,
): PackOut {
  if (seen.length === 0) return before
  const all = [...seen, ...[10, 60].map((days) => ({ days, share: packedOut(before, days) }))]
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
 * Days of use until a clearance leaves its band through the top, and until it is loose; null where
 * packing out never gets there.
 *
 * @param newMm clearance with the liner as new, mm a side
 * @param linerMm thickness of the liner there
 * @example looseAfter(0, 10, [0, 1], tableCurve(HOUSE_NORMS), HOUSE_NORMS).roomyDays // 10: half of its end share of 2 mm
 */
export function looseAfter(
  newMm: number,
  linerMm: number,
  band: Band,
  curve: PackOut,
  { verdictMm }: Pick<Norms, 'verdictMm'>,
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
    looseDays: daysTo(band[1] + verdictMm.loose),
    endVerdict: verdictOf(newMm + linerMm * curve.endShare, band, verdictMm),
  }
}
