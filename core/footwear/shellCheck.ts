import { bestMean, meanOfReading } from '../measure/reading'
import { normsOf, type Norms } from '../record/tables'
import { supportedLengthMm } from '../measure/supportedLength'
import { CHECK_PLACES, type FittingRecord } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { clearances, standingFoot } from './clearance'
import { shellInside } from './gradeShell'
import { sockMm, socksOf } from './socks'
import { isAbout, sumOffsets, workedOffsets } from './shownOffsets'

/** A fitter's fingers behind the heel, mm: one, and two side by side. */
export type Fingers = Norms['fingersMm']

/**
 * The gap that so many fingers fill, mm: straight lines through none, one and two of this fitter's
 * own.
 *
 * @example fingersMm(1.5, { one: 16, two: 33 }) // 24.5
 */
export const fingersMm = (fingers: number, { one, two }: Fingers): number =>
  fingers <= 1 ? fingers * one : one + (fingers - 1) * (two - one)

/**
 * The length of a foot as a shell check meets it, mm: standing on nothing, or on its device. Undefined where no length
 * was taken standing.
 */
export function checkedFootMm(
  record: FittingRecord,
  side: Side,
  onDevice: boolean,
): number | undefined {
  const foot = record.feet[side]
  const standing = foot && bestMean(foot, 'footLengthMm', 'standing')
  if (!foot || standing === undefined || !onDevice) return standing
  return supportedLengthMm(
    standing,
    meanOfReading(foot, 'footLengthMm', 'sitting'),
    foot.device?.kind ?? 'none',
    normsOf(record),
  )
}

/**
 * The gap behind the heel that a shell check should show, mm: liner out, toes just touching. The
 * foot is as it was then: standing on nothing, or on its device; the shell is as it was worked.
 *
 * @returns null without a foot length or without the shell's length
 */
export function predictedGapMm(
  record: FittingRecord,
  side: Side,
  model: FootwearModel,
  sizeMm: number,
  onDevice: boolean,
): number | null {
  const length = checkedFootMm(record, side, onDevice)
  const inside = shellInside(model, sizeMm).lengthMm
  if (length === undefined || inside === undefined) return null
  return inside - length + (workedRoom(record, side, model, sizeMm).length ?? 0)
}

/** Room that work on this shell gave, by station. */
const workedRoom = (record: FittingRecord, side: Side, model: FootwearModel, sizeMm: number) =>
  sumOffsets(
    workedOffsets(record.footwear?.chosen?.work ?? []).filter((o) =>
      isAbout(o, model.id, side, sizeMm),
    ),
  )

/** Less room than this touches, mm (house default). */
const TOUCHES_BELOW_MM = 1

/**
 * What the look at four places should show, liner out, heel back, in the sock: room a side, and
 * whether the foot is clear of the wall, touches it or presses on it. Places without a measure are
 * left out.
 */
export function predictedLooks(
  record: FittingRecord,
  side: Side,
  model: FootwearModel,
  sizeMm: number,
): Partial<
  Record<(typeof CHECK_PLACES)[number], { roomMm: number; look: 'clear' | 'touches' | 'presses' }>
> {
  const foot = record.feet[side]
  const standing = foot && standingFoot(foot, null, normsOf(record))
  if (!standing) return {}
  const bare = {
    ...model,
    liner: {
      ...model.liner,
      packOut: 0,
      thicknessMm: { toe: 0, ball: 0, instep: 0, ankle: 0, heel: 0 },
    },
  }
  const room = clearances(
    standing,
    bare,
    sizeMm,
    sockMm(socksOf(record), model.family),
    workedRoom(record, side, model, sizeMm),
  ).worn
  return Object.fromEntries(
    CHECK_PLACES.flatMap((place) => {
      const roomMm = room[place]
      return roomMm === null
        ? []
        : [
            [
              place,
              {
                roomMm,
                look: roomMm < 0 ? 'presses' : roomMm < TOUCHES_BELOW_MM ? 'touches' : 'clear',
              },
            ],
          ]
    }),
  )
}
