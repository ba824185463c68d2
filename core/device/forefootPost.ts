import { radians } from '../geometry/tilt'
import type { SoleField } from '../geometry/soleField'

/** A wedge below the front of the shell: a level base under it, in the foot's frame. */
export interface ForefootBase {
  /** height of the base at a cell, mm */
  heightMm: (i: number) => number
}

/**
 * The base of an extrinsic forefoot post. The top stays as it is; below, the wedge is filled to a
 * plane that is turned against the heel by what of the forefoot's angle the post leaves, runs on
 * from what the heel stands on, and touches the shell at its lower corner, where the wedge is thin.
 *
 * @param leftDeg the forefoot's angle less the post's, + varus
 * @param heel lowest point that the heel stands on, mm
 * @param isUnder cells that the post lies under
 * @param underside of the shell alone, mm
 */
export function forefootBase(
  field: SoleField,
  leftDeg: number,
  heel: { xMm: number; yMm: number; zMm: number },
  isUnder: (i: number) => boolean,
  underside: Float64Array,
): ForefootBase {
  const across = Math.tan(radians(leftDeg))
  const overRoll = (i: number) => underside[i]! - heel.zMm - across * (field.x[i]! - heel.xMm)
  let along = Infinity
  for (let i = 0; i < underside.length; i++)
    if (isUnder(i)) along = Math.min(along, overRoll(i) / (field.y[i]! - heel.yMm))
  return {
    heightMm: (i) =>
      heel.zMm + across * (field.x[i]! - heel.xMm) + along * (field.y[i]! - heel.yMm),
  }
}
