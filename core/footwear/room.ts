import type { SpacePlace, WidthPlace } from '../device/space'
import type { FootwearModel } from './catalogueSchema'
import { shellInside } from './gradeShell'

/** Height that footwear gives under the foot once its own insole is out, mm. */
export type FootwearRoom = Record<SpacePlace, number>

/** Spare height beyond the insole, mm, by place (house defaults): the heel counter holds a foot that sits this much higher. */
export const SPARE_HEIGHT_MM = { heel: 6, arch: 4, ball: 1.5, toes: 1 } as const

/** Room of a model: its insole, what can be ground off its boot board, and the spare height of heel counter and upper. */
export function roomOf(model: FootwearModel): FootwearRoom {
  const base = model.insoleMm + model.bootBoard.grindableMm
  return {
    heelMm: base + SPARE_HEIGHT_MM.heel,
    archMm: base + SPARE_HEIGHT_MM.arch,
    ballMm: base + SPARE_HEIGHT_MM.ball,
    toesMm: base + SPARE_HEIGHT_MM.toes,
  }
}

/**
 * Width that a size of a model leaves a device between its liner, mm; the waist, which no catalogue gives, is taken as the mean of heel and
 * ball (own assumption). Unknown where the model was not measured there.
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
