import { expectedForefootWidthMm } from './norms'

export type WidthClass = 'narrow' | 'medium' | 'wide' | 'extraWide'
export type VolumeClass = 'low' | 'medium' | 'high'

/** Limits of width and volume classes (workshop defaults, provisional). */
export const CLASS_LIMITS = {
  forefootDeltaMm: [-4, 4, 8],
  waistShare: [0.89, 0.95],
  heelInstepShare: [1.24, 1.3],
  ankleShare: [0.82, 0.88],
} as const

/**
 * Forefoot width against the expected 0.377·L: below −4 mm narrow, to +4 medium, to +8 wide, above extra wide.
 *
 * @example forefootWidthClass(100, 265) // { class: 'medium', deltaMm: 0.095 }
 */
export function forefootWidthClass(widthMm: number, footLengthMm: number): { class: WidthClass; deltaMm: number } {
  const deltaMm = widthMm - expectedForefootWidthMm(footLengthMm)
  const [narrow, wide, extra] = CLASS_LIMITS.forefootDeltaMm
  return { class: deltaMm < narrow ? 'narrow' : deltaMm <= wide ? 'medium' : deltaMm <= extra ? 'wide' : 'extraWide', deltaMm }
}

/** A girth as a share of foot length against its two limits. @example volumeClass(246, 264.3, CLASS_LIMITS.waistShare) // 'medium' */
export function volumeClass(girthMm: number, footLengthMm: number, [low, high]: readonly [number, number]): VolumeClass {
  const share = girthMm / footLengthMm
  return share < low ? 'low' : share > high ? 'high' : 'medium'
}
