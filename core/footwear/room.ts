import type { FootwearModel } from './catalogueSchema'
import type { SpacePlace } from '../device/space'

/** Height that footwear gives under the foot once its own insole is out, mm. */
export type FootwearRoom = Record<SpacePlace, number>

/** Spare height beyond the insole, mm, by place (house defaults): the heel counter holds a foot that sits this much higher. */
export const SPARE_HEIGHT_MM = { heel: 6, arch: 4, ball: 1.5, toes: 1 } as const

/** Room of a model: its insole, what can be ground off its boot board, and the spare height of heel counter and upper. */
export function roomOf(model: FootwearModel): FootwearRoom {
  const base = model.insoleMm + model.bootBoard.grindableMm
  return { heelMm: base + SPARE_HEIGHT_MM.heel, archMm: base + SPARE_HEIGHT_MM.arch, ballMm: base + SPARE_HEIGHT_MM.ball, toesMm: base + SPARE_HEIGHT_MM.toes }
}
