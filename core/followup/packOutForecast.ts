import type { FootwearModel } from '../footwear/catalogueSchema'
import { fitFoot } from '../footwear/fitFoot'
import { matchSettings, standingFeet } from '../footwear/matchRecord'
import type { Station } from '../kinds/stations/all'
import type { Verdict } from '../footwear/targets'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES, type Side } from '../tables/vocabulary'
import { fitPackOut, looseAfter, packedOut, type PackOut } from './packOut'

/** What a station's liner does with the days, mm. */
export interface PackOutLine {
  side: Side
  station: Station
  newMm: number
  nowMm: number
  verdictEnd: Verdict
  /**
   * days of use until it is roomy, and until it is loose; null where packing out never gets there
   */
  roomyDays: number | null
  looseDays: number | null
}

/**
 * Liner measured at days of use, as told at the follow-ups: share of its thickness that is gone.
 */
export const linerSeen = (record: FittingRecord): { days: number; share: number }[] =>
  (record.followups ?? []).flatMap((f) =>
    f.daysUsed !== undefined && f.liner && f.liner.newMm > 0
      ? [{ days: f.daysUsed, share: Math.max(0, 1 - f.liner.nowMm / f.liner.newMm) }]
      : [],
  )

/**
 * Days of use until packing out makes a difference at a station: loose, else roomy; null where it
 * never does, or where it was so as new.
 */
export const givesAfter = ({ roomyDays, looseDays }: PackOutLine): number | null =>
  [looseDays, roomyDays].find((d) => d !== null && d > 0) ?? null

/** Stations that a liner holds; those it does not touch never pack out. */
const LEAST_LOSS_MM = 0.2

/**
 * When the chosen shell turns from snug to roomy and loose as its liner packs out, station by
 * station, soonest first. The curve is the house's drawn towards what was measured on this liner.
 *
 * @param daysUsed days it was worn until now
 */
export function packOutForecast(
  record: FittingRecord,
  model: FootwearModel,
  daysUsed: number,
): { curve: PackOut; lines: PackOutLine[] } {
  const norms = normsOf(record)
  const curve = fitPackOut(linerSeen(record), norms)
  const feet = standingFeet(record)
  const settings = matchSettings(record)
  const chosen = record.footwear?.chosen
  const lines = SIDES.flatMap((side): PackOutLine[] => {
    const foot = feet[side]
    const size = side === 'left' ? chosen?.sizeLeftMm : chosen?.sizeRightMm
    if (!foot || !size || model.liner.packOut <= 0) return []
    const fit = fitFoot(foot, side, model, size, settings)
    return (Object.keys(fit.targets) as Station[]).flatMap((station): PackOutLine[] => {
      const [newMm, worn, band] = [
        fit.asNew[station],
        fit.clearances[station],
        fit.targets[station],
      ]
      if (newMm === null || worn === null || !band) return []
      // What the whole liner would give, from what the model's own loss gives.
      const linerMm = (worn - newMm) / model.liner.packOut
      if (linerMm * curve.endShare < LEAST_LOSS_MM) return []
      const { roomyDays, looseDays, endVerdict } = looseAfter(newMm, linerMm, band, curve, norms)
      return [
        {
          side,
          station,
          newMm,
          nowMm: newMm + linerMm * packedOut(curve, daysUsed),
          verdictEnd: endVerdict,
          roomyDays,
          looseDays,
        },
      ]
    })
  })
  return { curve, lines: lines.sort((a, b) => (givesAfter(a) ?? 1e6) - (givesAfter(b) ?? 1e6)) }
}
