import { radians } from '../geometry/tilt'

/**
 * Line of the subtalar axis over the sole: a point it passes through, mm, and its deviation from
 * the foot's long axis, degrees medial.
 */
export interface SubtalarAxis {
  xMm: number
  yShare: number
  deviationDeg: number
}

/** Mean inclination of the axis over the floor, degrees (Manter 1941). */
const INCLINATION_DEG = 42
/** Palpated positions (house lines; the deviation of the central one by Manter 1941). */
export const AXES: Record<'central' | 'medial' | 'lateral', SubtalarAxis> = {
  central: { xMm: -15, yShare: 0.1, deviationDeg: 16 },
  medial: { xMm: -7, yShare: 0.1, deviationDeg: 22 },
  lateral: { xMm: -23, yShare: 0.1, deviationDeg: 10 },
}

/**
 * Moment of a vertical force about the subtalar axis, N·mm, + supination: F·cos i·(cos d·(x − Px) −
 * sin d·(y − Py)). The same for either foot in its own frame. The axis' position moves the
 * baseline, hardly the change.
 *
 * @example subtalarMoment(100, 0, 26.5, 265, AXES.central) // 1071.5
 */
export function subtalarMoment(
  forceN: number,
  xMm: number,
  yMm: number,
  lengthMm: number,
  axis: SubtalarAxis,
): number {
  const d = radians(axis.deviationDeg)
  return (
    forceN *
    Math.cos(radians(INCLINATION_DEG)) *
    (Math.cos(d) * (xMm - axis.xMm) - Math.sin(d) * (yMm - axis.yShare * lengthMm))
  )
}
