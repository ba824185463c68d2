import type { SpacePlace, WidthPlace } from '../device/space'
import type { Norms } from '../record/tables'
import { bestMean } from '../measure/reading'
import type { FittingRecord } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { shellInside } from './gradeShell'

/** Height that footwear gives under the foot once its own insole is out, mm. */
export type FootwearRoom = Record<SpacePlace, number>

/**
 * Room of a model: its insole, what can be ground off its boot board, and the spare height of heel
 * counter and upper.
 */
export function roomOf(
  model: FootwearModel,
  { spareHeightMm }: Pick<Norms, 'spareHeightMm'>,
): FootwearRoom {
  const base = model.insoleMm + model.bootBoard.grindableMm
  return {
    heelMm: base + spareHeightMm.heel,
    archMm: base + spareHeightMm.arch,
    ballMm: base + spareHeightMm.ball,
    toesMm: base + spareHeightMm.toes,
  }
}

/**
 * Width that a size of a model leaves a device between its liner, mm; the waist, which no catalogue
 * gives, is taken as the mean of heel and ball (own assumption). Unknown where the model was not
 * measured there.
 */
export function widthsOf(
  model: FootwearModel,
  sizeMm: number,
): Partial<Record<WidthPlace, number>> {
  const inside = shellInside(model, sizeMm)
  const { heel, ball } = model.liner.thicknessMm
  const worn = 1 - model.liner.packOut
  const heelMm = inside.heelWidthMm === undefined ? undefined : inside.heelWidthMm - 2 * heel * worn
  const ballMm = inside.ballWidthMm === undefined ? undefined : inside.ballWidthMm - 2 * ball * worn
  return {
    ...(heelMm !== undefined && { heelWidthMm: heelMm }),
    ...(heelMm !== undefined && ballMm !== undefined && { waistWidthMm: (heelMm + ballMm) / 2 }),
  }
}

/**
 * The size of a model nearest to a length, the smaller one of two as near.
 *
 * @example nearestSizeMm([255, 260, 265], 261) // 260
 * @throws RangeError for a model without sizes
 */
export function nearestSizeMm(sizesMm: readonly number[], lengthMm: number): number {
  if (sizesMm.length === 0) throw new RangeError('a model without sizes has no nearest one')
  return sizesMm.reduce((best, size) =>
    Math.abs(size - lengthMm) < Math.abs(best - lengthMm) ? size : best,
  )
}

/** The size of a model that a foot was given; where none was, the one nearest to its length. */
export function sizeOfFoot(
  { footwear, feet }: Pick<FittingRecord, 'footwear' | 'feet'>,
  side: Side,
  model: Pick<FootwearModel, 'id' | 'sizesMm' | 'referenceMm'>,
): number {
  const chosen = footwear?.chosen
  const given = side === 'left' ? chosen?.sizeLeftMm : chosen?.sizeRightMm
  if (chosen?.model === model.id && given !== undefined) return given
  const foot = feet[side]
  const lengthMm = foot && bestMean(foot, 'footLengthMm', 'standing')
  return nearestSizeMm(model.sizesMm, lengthMm ?? model.referenceMm)
}

/** What a device takes of one place, and what is left there, mm; null where that is not known. */
export interface RoomLeft<P extends string = SpacePlace | WidthPlace> {
  place: P
  neededMm: number
  leftMm: number | null
}

/**
 * Height and width that a size of a model leaves over a device, place by place: negative where it
 * is too much.
 *
 * @param needed heights of the device's stack and its widths, mm
 */
export function roomLeft(
  model: FootwearModel,
  sizeMm: number,
  needed: Readonly<Record<SpacePlace | WidthPlace, number>>,
  rows: Pick<Norms, 'spareHeightMm'>,
): RoomLeft[] {
  const room: Partial<Record<string, number>> = {
    ...roomOf(model, rows),
    ...widthsOf(model, sizeMm),
  }
  return (Object.keys(needed) as (SpacePlace | WidthPlace)[]).map((place) => {
    const there = room[place]
    const neededMm = needed[place]
    return { place, neededMm, leftMm: there === undefined ? null : there - neededMm }
  })
}
