import { expectedForefootWidthMm } from './norms'
import { HOUSE_NORMS, type Norms } from './normsTable'

export type WidthClass = 'narrow' | 'medium' | 'wide' | 'extraWide'
export type VolumeClass = 'low' | 'medium' | 'high'

/**
 * Forefoot width against the expected 0.377·L: below −4 mm narrow, to +4 medium, to +8 wide, above extra wide.
 *
 * @example forefootWidthClass(100, 265) // { class: 'medium', deltaMm: 0.095 }
 */
export function forefootWidthClass(
  widthMm: number,
  footLengthMm: number,
  norms: Norms = HOUSE_NORMS,
): { class: WidthClass; deltaMm: number } {
  const deltaMm = widthMm - expectedForefootWidthMm(footLengthMm, norms.widthPerLength)
  const [narrow, wide, extra] = norms.forefootDeltaMm
  return {
    class:
      deltaMm < narrow
        ? 'narrow'
        : deltaMm <= wide
          ? 'medium'
          : deltaMm <= extra
            ? 'wide'
            : 'extraWide',
    deltaMm,
  }
}

/** A girth as a share of foot length against its two limits. @example volumeClass(246, 264.3, HOUSE_NORMS.waistShare) // 'medium' */
export function volumeClass(
  girthMm: number,
  footLengthMm: number,
  [low, high]: readonly [number, number],
): VolumeClass {
  const share = girthMm / footLengthMm
  return share < low ? 'low' : share > high ? 'high' : 'medium'
}
