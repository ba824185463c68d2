import { FAMILY_KINDS } from '../kinds/families/all'
import type { Norms } from '../record/tables'
import type { Band } from '../tables/footwearTargets'
import type { FootwearModel } from './catalogueSchema'
import { shellInside } from './gradeShell'

/**
 * What the ends of a liner take off the bare length, toe and heel, mm.
 *
 * For instance a liner of 4 mm at the toe and 6 at the heel that packs out by a fifth takes 8
 *
 * @param share of its thickness that is left: 1 as new, 1 − packOut after break-in
 */
export const linerEndsMm = (
  { liner }: Pick<FootwearModel, 'liner'>,
  share = 1 - liner.packOut,
): number => (liner.thicknessMm.toe + liner.thicknessMm.heel) * share

/** The length inside the liner of a size and the least room its family needs, mm; null where it is not known. */
export function wornInside(
  model: FootwearModel,
  sizeMm: number,
  { leastRoomMm }: Pick<Norms, 'leastRoomMm'>,
): { lengthMm: number; leastRoomMm: number } | null {
  const bare = shellInside(model, sizeMm).lengthMm
  if (bare === undefined) return null
  return { lengthMm: bare - linerEndsMm(model), leastRoomMm: leastRoomMm[model.family]! }
}

/** Where the least room of a family lies on the scale by which its length is judged, mm. */
export function leastLengthMm(
  model: Pick<FootwearModel, 'family' | 'liner'>,
  { leastRoomMm }: Pick<Norms, 'leastRoomMm'>,
): number {
  const { linerIn } = FAMILY_KINDS.of(model.family)
  return leastRoomMm[model.family]! + (linerIn ? 0 : linerEndsMm(model))
}

/**
 * Room at the toes of a growing foot: room to grow over the least that the family's toes need, whatever the
 * intent; and the most, because growth room is never filled up.
 *
 * For instance in a shoe that needs 5 mm and may grow 8 to 12: from 13 to 17 mm, 20 at most
 */
export function growthBand(
  model: Pick<FootwearModel, 'family' | 'liner'>,
  rows: Pick<Norms, 'leastRoomMm' | 'growthRoomMm'>,
): { band: Band; mostMm: number } {
  const least = leastLengthMm(model, rows)
  const { hard, soft, most } = rows.growthRoomMm
  const [low, high] = FAMILY_KINDS.of(model.family).hard ? hard : soft
  return { band: [least + low, least + high], mostMm: least + most }
}
