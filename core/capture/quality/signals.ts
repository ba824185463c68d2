import { degrees } from '../../geometry/tilt'
import { sampleGrid } from '../../geometry/grid'
import { smoothstep as S } from '../../geometry/smoothstep'
import { leastSquares } from '../../geometry/leastSquares'
import type { FootView } from '../foot/footFrame'
import type { Landmarks } from '../foot/landmarks'
import { bordersBetween } from '../foot/outlineRows'
import { FOOT_REFERENCE } from '../foot/references'
import { planeOf, smoothed, type SoleGrid } from '../foot/soleGrid'

type P3 = [number, number, number]

/**
 * Smoothing, averaging and the reach of a signal's surroundings each take a part of it away; these
 * give it back (from made-up feet).
 */
const BOW_SHARE = 1.22
const APEX_SHARE = 1.12
const DENT_SHARE = 1.8
/**
 * A claw lifts the knuckle and drives the tip down: the step grows by this much per mm of either,
 * after smoothing.
 */
const CLAW_STEP = 1.2

/** Roll of the forefoot against the heel beyond what a level foot reads, degrees. */
export const forefootRollDeg = (view: FootView): number =>
  view.forefootDeg - degrees(Math.atan(view.heelPlane?.b ?? 0)) - FOOT_REFERENCE.forefootDeg

/**
 * The outer border from heel to fifth head with the forefoot's own angle taken out, and its chord:
 * how far its middle third lies above (+) the chord beyond what a well held foot shows, mm.
 */
export function borderSag(view: FootView): { mm: number; line: P3[]; chord: [P3, P3] } | null {
  const { grid, fine, rows, heel, heads, lengthMm, heelPlane } = view
  const fifth = heads[4]!
  const twist = Math.tan((forefootRollDeg(view) * Math.PI) / 180)
  const from = heel[1]
  const line: P3[] = []
  const flat: [number, number][] = []
  for (let k = 0; k <= 30; k++) {
    const y = from + (k / 30) * (fifth[1] - from)
    const border = bordersBetween(grid, rows, y - 3, y + 3)
    if (!border) continue
    const x = border.lateral + 0.15 * (border.medial - border.lateral)
    const z = sampleGrid(fine, x, y)
    if (Number.isNaN(z)) continue
    line.push([x, y, z])
    flat.push([k / 30, z - (heelPlane?.b ?? 0) * x - twist * x * S(y / lengthMm, 0.42, 0.62)])
  }
  if (flat.length < 20) return null
  const end = (t0: number, t1: number) => {
    const near = flat.filter(([t]) => t >= t0 && t <= t1)
    return near.length ? near.reduce((s, q) => s + q[1], 0) / near.length : null
  }
  const [a, b] = [end(0, 0.08), end(0.92, 1)]
  const middle = flat.filter(([t]) => t > 0.36 && t < 0.64)
  if (a === null || b === null || middle.length < 5) return null
  const sag = middle.reduce((s, [t, z]) => s + z - (a + t * (b - a)), 0) / middle.length
  return {
    mm: BOW_SHARE * (sag - FOOT_REFERENCE.borderSagMm),
    line,
    chord: [line[0]!, line.at(-1)!],
  }
}

/**
 * First head above (+) the line of heads 2 to 5, beyond what a level foot shows, mm; the second
 * counts little, since it follows the first.
 */
export function firstRayRise(view: FootView): number {
  const weights = [0.2, 1, 1, 1]
  const fit = leastSquares(
    view.heads
      .slice(1)
      .map(([x, , z], i) => [[weights[i]!, weights[i]! * x], weights[i]! * z] as const),
  )
  const first = view.heads[0]!
  return fit ? first[2] - (fit[0]! + fit[1]! * first[0]) - FOOT_REFERENCE.firstRayMm : 0
}

/** Knuckles above the tips of the lesser toes beyond the usual, mm of lift. */
export function toeClaw(view: FootView, fine: SoleGrid): { mm: number; at: P3[] } | null {
  const { lengthMm, heads } = view
  const perWidth = (heads[0]![0] - heads[4]![0]) / 0.66
  const steps: number[] = []
  const at: P3[] = []
  for (let k = 1; k < 5; k++) {
    const x = FOOT_REFERENCE.toeAcross[k]! * perWidth
    const y = FOOT_REFERENCE.toeShare[k]! * lengthMm
    const tip = lowestNear(fine, x, y, 4)
    const knuckle = sampleGrid(fine, x, y - 13)
    if (!tip || Number.isNaN(knuckle)) continue
    steps.push(knuckle - tip[2])
    at.push([x, y - 13, knuckle])
  }
  if (steps.length < 2) return null
  return {
    mm: (steps.reduce((a, b) => a + b, 0) / steps.length - FOOT_REFERENCE.toeStepMm) / CLAW_STEP,
    at,
  }
}

function lowestNear(grid: SoleGrid, x: number, y: number, reach: number): P3 | null {
  let best: P3 | null = null
  for (let dy = -reach; dy <= reach; dy++)
    for (let dx = -reach; dx <= reach; dx++) {
      const z = sampleGrid(grid, x + dx, y + dy)
      if (!Number.isNaN(z) && (!best || z < best[2])) best = [x + dx, y + dy, z]
    }
  return best
}

/**
 * Deepest pit under heads 4 and 5: sole there above a plane through its surroundings, beyond the
 * usual, mm.
 */
export function fingerDent(view: FootView): { mm: number; at: P3 } | null {
  const fine = smoothed(view.grid, 2)
  let best: { mm: number; at: P3 } | null = null
  for (const [hx, hy] of [view.heads[3]!, view.heads[4]!])
    for (const dy of [-8, -4, 0, 4]) {
      const [x, y] = [hx, hy + dy]
      const z = sampleGrid(fine, x, y)
      if (Number.isNaN(z)) continue
      // The ring leaves the outer border out, where every sole rises.
      const ring = planeOf(fine, (px, py) => {
        const d = Math.hypot(px - x, py - y)
        return d > 11 && d < 17 && px > hx - 11
      })
      if (!ring) continue
      const mm = DENT_SHARE * (z - (ring.a + ring.b * x + ring.c * y) - FOOT_REFERENCE.headPadMm)
      if (!best || mm > best.mm) best = { mm, at: [x, y, z] }
    }
  return best
}

/** Middle of the heads above the heel's own plane carried forward, beyond the usual, mm. */
export function ballLevel(view: FootView): number | null {
  const { heelPlane, heads } = view
  if (!heelPlane) return null
  const mean = (k: number) => heads.reduce((s, h) => s + h[k]!, 0) / heads.length
  return (
    mean(2) -
    (heelPlane.a + heelPlane.b * mean(0) + heelPlane.c * mean(1)) -
    FOOT_REFERENCE.ballLevelMm
  )
}

/** Height of the arch apex against what the navicular lets expect, mm. */
export function archDifference(landmarks: Landmarks, navicularHeightMm: number): number | null {
  const apex = landmarks.archApex
  return apex
    ? APEX_SHARE *
        (apex[2] -
          (FOOT_REFERENCE.apexMm + FOOT_REFERENCE.apexPerNavicular * (navicularHeightMm - 44)))
    : null
}
