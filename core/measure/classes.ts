import type { Norms } from '../record/tables'

export type WidthClass = 'narrow' | 'medium' | 'wide' | 'extraWide'
export type VolumeClass = 'low' | 'medium' | 'high'

/**
 * Expected forefoot width, mm: so much for each mm of foot length.
 *
 * @example expectedForefootWidthMm(280, HOUSE_NORMS) // 105.56
 */
export const expectedForefootWidthMm = (
  footLengthMm: number,
  { widthPerLength }: Pick<Norms, 'widthPerLength'>,
): number => widthPerLength * footLengthMm

/**
 * Forefoot width against the expected one: below the first limit narrow, to the second medium, to
 * the third wide, above extra wide.
 *
 * @example forefootWidthClass(100, 265, HOUSE_NORMS) // { class: 'medium', deltaMm: 0.095 }
 */
export function forefootWidthClass(
  widthMm: number,
  footLengthMm: number,
  norms: Pick<Norms, 'widthPerLength' | 'forefootDeltaMm'>,
): { class: WidthClass; deltaMm: number } {
  const deltaMm = widthMm - expectedForefootWidthMm(footLengthMm, norms)
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

/**
 * A girth as a share of foot length against its two limits. @example volumeClass(246, 264.3,
 * HOUSE_NORMS.waistShare) // 'medium'
 */
export function volumeClass(
  girthMm: number,
  footLengthMm: number,
  [low, high]: readonly [number, number],
): VolumeClass {
  const share = girthMm / footLengthMm
  return share < low ? 'low' : share > high ? 'high' : 'medium'
}
