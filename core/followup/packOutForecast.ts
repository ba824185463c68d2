import type { FootwearModel } from '../footwear/catalogueSchema'
import { fitFoot } from '../footwear/fitFoot'
import { matchSettings, standingFeet } from '../footwear/matchRecord'
import type { Station } from '../kinds/stations/all'
import type { Verdict } from '../footwear/targets'
import type { FittingRecord, Device } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES, type Side } from '../tables/vocabulary'
import { STATION_KINDS } from '../kinds/stations/all'
import { BODY_AMOUNTS } from '../kinds/body/all'
import { fitPackOut, looseAfter, packedOut, statedCurve, type PackOut } from './packOut'

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
export const linerSeen = ({
  followups,
}: Pick<FittingRecord, 'followups'>): { days: number; share: number }[] =>
  (followups ?? []).flatMap((f) =>
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

/** Foam of a device that lies under the foot at a station, mm: the cover's, as far as it reaches. */
function foamMm(device: Device | undefined, station: Station): number {
  const { lift } = STATION_KINDS.of(station)
  if (!device || device.kind === 'none' || lift === null) return 0
  const under = BODY_AMOUNTS.of('coverThickness').takesMm(device)
  return under[PLACE_OF[lift]] ?? 0
}
const PLACE_OF = { toes: 'toes', ball: 'ball', instep: 'arch', heel: 'heel' } as const

/**
 * When the chosen shell turns from snug to roomy and loose as its liner and the device's cover pack out, station by
 * station, soonest first. The curve is what the shop learned of the model, else its own share by the table's days,
 * drawn towards what was measured on this liner.
 *
 * @param daysUsed days it was worn until now
 * @param learned what the shop's other liners of this model showed
 */
export function packOutForecast(
  record: FittingRecord,
  model: FootwearModel,
  daysUsed: number,
  learned?: PackOut,
): { curve: PackOut; lines: PackOutLine[] } {
  const norms = normsOf(record)
  const curve = fitPackOut(linerSeen(record), learned ?? statedCurve(model, norms))
  const feet = standingFeet(record)
  const settings = matchSettings(record)
  const chosen = record.footwear?.chosen
  const lines = SIDES.flatMap((side): PackOutLine[] => {
    const foot = feet[side]
    const size = side === 'left' ? chosen?.sizeLeftMm : chosen?.sizeRightMm
    if (!foot || !size) return []
    const { device } = record.feet[side]!
    const cover = norms.coverMaterials.find((m) => m.id === device?.shell.cover.material)
    const fit = fitFoot(foot, side, model, size, settings)
    return (Object.keys(fit.targets) as Station[]).flatMap((station): PackOutLine[] => {
      const [newMm, worn, band] = [
        fit.asNew[station],
        fit.clearances[station],
        fit.targets[station],
      ]
      if (newMm === null || worn === null || !band) return []
      // What the whole liner would give, from what the model's own loss gives.
      const linerMm = model.liner.packOut > 0 ? (worn - newMm) / model.liner.packOut : 0
      const lostMm = linerMm * curve.endShare + foamMm(device, station) * (cover?.packOut ?? 0)
      if (lostMm < LEAST_LOSS_MM) return []
      // Liner and foam go by the same days: together they are one layer that loses all of this.
      const both = { ...curve, endShare: 1 }
      const { roomyDays, looseDays, endVerdict } = looseAfter(newMm, lostMm, band, both, norms)
      return [
        {
          side,
          station,
          newMm,
          nowMm: newMm + lostMm * packedOut(both, daysUsed),
          verdictEnd: endVerdict,
          roomyDays,
          looseDays,
        },
      ]
    })
  })
  return { curve, lines: lines.sort((a, b) => (givesAfter(a) ?? 1e6) - (givesAfter(b) ?? 1e6)) }
}
