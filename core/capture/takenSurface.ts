import { degrees } from '../geometry/tilt'
import type { CapturedSurface } from '../record/captureSchema'
import type { CapturedFoot } from './captureScan'
import { smoothed } from './foot/soleGrid'
import { FOOT_REFERENCE } from './foot/references'
import { encodeHeights } from '../record/surfaceHeights'

/**
 * The captured sole is smoothed over this before anything is built on it: noise goes, shapes of
 * more than 5 mm stay.
 */
const SMOOTH_MM = 1.8

/**
 * The surface of a captured foot as the record keeps it: small gaps filled, smoothed, cut to its
 * own box.
 */
export function takenSurface(captured: CapturedFoot): CapturedSurface {
  const { view, coverage, landmarks, readings } = captured
  const grid = smoothed(coverage.grid, SMOOTH_MM)
  let [c0, c1, r0, r1] = [grid.columns, 0, grid.rows, 0]
  for (let i = 0; i < grid.z.length; i++)
    if (!Number.isNaN(grid.z[i]!)) {
      const [c, r] = [i % grid.columns, Math.floor(i / grid.columns)]
      c0 = Math.min(c0, c)
      c1 = Math.max(c1, c)
      r0 = Math.min(r0, r)
      r1 = Math.max(r1, r)
    }
  const [columns, rows] = [c1 - c0 + 1, r1 - r0 + 1]
  const z = new Float64Array(columns * rows)
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++) z[r * columns + c] = grid.z[(r + r0) * grid.columns + c + c0]!
  const round = (v: number) => Math.round(v * 100) / 100
  const perWidth = (view.heads[0]![0] - view.heads[4]![0]) / 0.66
  const toes = [0, 1, 2, 3, 4].map((k): [number, number] => {
    const tip = landmarks[`toe${k + 1}` as 'toe1']
    // The pad lies a little behind its tip.
    return tip
      ? [
          round(tip[0]),
          round(Math.min(tip[1] - 10, FOOT_REFERENCE.toeShare[k]! * view.lengthMm + 6)),
        ]
      : [
          round(FOOT_REFERENCE.toeAcross[k]! * perWidth),
          round(FOOT_REFERENCE.toeShare[k]! * view.lengthMm),
        ]
  })
  return {
    x0: round(grid.x0 + c0 * grid.stepMm),
    y0: round(grid.y0 + r0 * grid.stepMm),
    stepMm: grid.stepMm,
    columns,
    rows,
    heights: encodeHeights(z),
    lengthMm: round(view.lengthMm),
    forefootWidthMm: round(readings.forefootWidthMm ?? perWidth),
    heelWidthMm: round(readings.heelWidthMm ?? 0.245 * view.lengthMm),
    forefootDeg: round(
      (readings.forefootDeg ?? FOOT_REFERENCE.forefootDeg) - FOOT_REFERENCE.forefootDeg,
    ),
    heelDeg: round(
      readings.heelBisectionDeg ?? (view.heelPlane ? degrees(Math.atan(view.heelPlane.b)) : 0),
    ),
    heads: view.heads.map(([x, y]): [number, number] => [round(x), round(y)]),
    toes,
  }
}
