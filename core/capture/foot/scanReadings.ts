import { min } from 'd3-array'
import { degrees } from '../../geometry/tilt'
import type { ReadingKind } from '../../kinds/readings/all'
import { edgeOf } from './edges'
import { PLAN_Z, type FootView } from './footFrame'
import { girthIn } from './girth'
import { topAt, type Landmarks } from './landmarks'

/** What is read off a captured surface, mm and degrees; what the shape does not show is absent. */
export type ScanReadings = Partial<Record<ReadingKind, number>> & {
  /**
   * plane of the heads against the heel's plane, + inverted; as the sole shows it, border included
   */
  forefootDeg?: number
  /** heel bisection against the leg (upright), + inverted; only with 60 mm of leg */
  heelBisectionDeg?: number
  archApexMm?: number
}

/**
 * Readings off a captured foot by the rules of the tape and the caliper: length along the axis,
 * width between the borders beside heads 1 and
 * 5, heel width at its widest, girths where the shape closes (across hollows, as a tape lies),
 * heights over z = 0.
 */
export function scanReadings(view: FootView, landmarks: Landmarks): ScanReadings {
  const { low, points, lengthMm } = view
  const [first, fifth] = [landmarks.firstMetHead!, landmarks.fifthMetHead!]
  const readings: ScanReadings = {
    footLengthMm: lengthMm,
    archLengthMm: (landmarks.firstMetCentre ?? first)[1],
  }
  const beside = (y: number, side: 'medial' | 'lateral', z: readonly [number, number] = PLAN_Z) =>
    edgeOf(low, side, z, { at: y, half: 5 })
  const [m1, l5] = [beside(first[1], 'medial'), beside(fifth[1], 'lateral')]
  if (m1 && l5) readings.forefootWidthMm = Math.hypot(m1.atMm - l5.atMm, first[1] - fifth[1])
  const heels = [0.1, 0.13, 0.16, 0.19].flatMap((s) => {
    const [m, l] = [
      beside(s * lengthMm, 'medial', [-5, 30]),
      beside(s * lengthMm, 'lateral', [-5, 30]),
    ]
    return m && l ? [m.atMm - l.atMm] : []
  })
  if (heels.length > 0) readings.heelWidthMm = Math.max(...heels)
  if (view.heelPlane) readings.forefootDeg = view.forefootDeg - degrees(Math.atan(view.heelPlane.b))
  if (view.leg && landmarks.heelBisectionLow && landmarks.heelBisectionHigh) {
    const [a, b] = [landmarks.heelBisectionLow, landmarks.heelBisectionHigh]
    readings.heelBisectionDeg = -degrees(Math.atan2(b[0] - a[0], b[2] - a[2]))
  }
  if (landmarks.archApex) readings.archApexMm = landmarks.archApex[2]
  const dorsum = topAt(points, lengthMm / 2, [-40, 40], 0.14 * lengthMm)
  if (dorsum !== null) readings.dorsumHeightMm = dorsum
  const toes = [0.88, 0.92, 0.95].flatMap(
    (s) => topAt(points, s * lengthMm, [-60, 60], 0.045 * lengthMm) ?? [],
  )
  if (dorsum !== null && toes.length > 0) readings.toeBoxHeightMm = Math.max(...toes)
  if (landmarks.toe1 && landmarks.toe2)
    readings.secondToeLeadMm = landmarks.toe2[1] - landmarks.toe1[1]
  return { ...readings, ...girthsOf(view, landmarks) }
}

function girthsOf(
  { points, lengthMm, leg }: FootView,
  landmarks: Landmarks,
): Partial<Record<ReadingKind, number>> {
  const out: Partial<Record<ReadingKind, number>> = {}
  const put = (what: ReadingKind, mm: number | null) => mm !== null && (out[what] = mm)
  const [first, fifth] = [landmarks.firstMetHead!, landmarks.fifthMetHead!]
  put('ballGirthMm', girthIn(points, first, [first[1] - fifth[1], fifth[0] - first[0], 0]))
  const smallest = (ys: readonly number[], at: (v: number) => number | null) =>
    min(ys, (v) => at(v) ?? undefined) ?? null
  const upright = (s: number) => girthIn(points, [0, s * lengthMm, 0], [0, 1, 0])
  put('waistGirthMm', smallest([0.5, 0.53, 0.56, 0.59, 0.62], upright))
  put('instepGirthMm', upright(0.5))
  if (leg) {
    const bend = bendOf(points, lengthMm)
    const [dy, dz] = [bend[1] - 2, bend[2] - 6]
    put('heelInstepGirthMm', girthIn(points, bend, [0, -dz, dy]))
    const heights = Array.from({ length: 12 }, (_, k) => 0.3 * lengthMm + 4 * k).filter(
      (z) => z < leg.toMm - 6,
    )
    put(
      'ankleGirthMm',
      smallest(heights, (z) => girthIn(points, [0, 0, z], [0, 0, 1])),
    )
  }
  return out
}

/**
 * Bend of the instep: where the front of the body is furthest from the straight line leg–ball, seen
 * from the side.
 */
function bendOf(points: Float64Array, lengthMm: number): [number, number, number] {
  let best: [number, number, number] = [0, 0.33 * lengthMm, 0.26 * lengthMm]
  let least = Infinity
  for (let s = 0.24; s < 0.5; s += 0.02) {
    const top = topAt(points, s * lengthMm, [-40, 40], 0.14 * lengthMm)
    if (top === null) continue
    // Nearest to the front-above corner of the ankle at 45°.
    const value = top + s * lengthMm
    if (value < least) [least, best] = [value, [0, s * lengthMm, top]]
  }
  return best
}
