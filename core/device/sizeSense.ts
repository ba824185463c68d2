import { acrossMm, degrees } from '../geometry/tilt'

/** The heel every skive preset was made for, mm. */
export const REFERENCE_HEEL_MM = 65

/**
 * What a skive means on this heel: the angle it makes over the heel's width, and the depth that
 * does the same on a 65 mm heel.
 *
 * @example skiveSense(3, 52) // { angleDeg: 3.3, asOnReferenceMm: 3.75 }
 */
export function skiveSense(
  depthMm: number,
  heelWidthMm: number,
): { angleDeg: number; asOnReferenceMm: number } {
  return {
    angleDeg: degrees(Math.atan(depthMm / heelWidthMm)),
    asOnReferenceMm: (depthMm * REFERENCE_HEEL_MM) / heelWidthMm,
  }
}

/** Height a post makes across the width it stands on, mm. @example postHeightMm(4, 65) // 4.55 */
export const postHeightMm = (angleDeg: number, widthMm: number): number =>
  acrossMm(Math.abs(angleDeg), widthMm)
