import type { Foot } from '../record/schema'
import { bestMean } from './reading'

/** Heights of a foot seen from its inner side, mm over the floor. */
export interface SideHeights {
  lengthMm: number
  toeMm: number
  navicularMm: number
  dorsumMm: number
  lateralMalleolusMm: number
  medialMalleolusMm: number
}

/** A point of the side view, mm: from the back of the heel, over the floor. */
export type SidePoint = readonly [number, number]
/** A cubic curve: where it begins, its two handles, where it ends. */
export type Cubic = readonly [SidePoint, SidePoint, SidePoint, SidePoint]

/** Usual shares of the foot's length, for what nobody measured: drawn, never stored (estimates). */
const USUAL_SHARE = {
  toe: 0.095,
  navicular: 0.165,
  dorsum: 0.24,
  lateralMalleolus: 0.265,
  medialMalleolus: 0.31,
} as const

/** Heights as they were taken standing, usual ones where they were not. */
export function sideHeights(foot: Foot, lengthMm: number): SideHeights {
  const of = (what: Parameters<typeof bestMean>[1], share: number) =>
    bestMean(foot, what, 'standing') ?? share * lengthMm
  return {
    lengthMm,
    toeMm: of('toeBoxHeightMm', USUAL_SHARE.toe),
    navicularMm: of('navicularHeightMm', USUAL_SHARE.navicular),
    dorsumMm: of('dorsumHeightMm', USUAL_SHARE.dorsum),
    lateralMalleolusMm: of('lateralMalleolusHeightMm', USUAL_SHARE.lateralMalleolus),
    medialMalleolusMm: of('medialMalleolusHeightMm', USUAL_SHARE.medialMalleolus),
  }
}

/** The same from single measures, as a catalogue's foot has them. */
export const sideHeightsOf = (
  known: Partial<SideHeights> & Pick<SideHeights, 'lengthMm'>,
): SideHeights => ({
  lengthMm: known.lengthMm,
  toeMm: known.toeMm ?? USUAL_SHARE.toe * known.lengthMm,
  navicularMm: known.navicularMm ?? USUAL_SHARE.navicular * known.lengthMm,
  dorsumMm: known.dorsumMm ?? USUAL_SHARE.dorsum * known.lengthMm,
  lateralMalleolusMm: known.lateralMalleolusMm ?? USUAL_SHARE.lateralMalleolus * known.lengthMm,
  medialMalleolusMm: known.medialMalleolusMm ?? USUAL_SHARE.medialMalleolus * known.lengthMm,
})

/**
 * The outline of a foot from its inner side: down the back of the leg, around the heel, along the
 * sole with its arch, over toes and dorsum and up the front of the leg. It passes through the
 * measured heights; what lies between follows usual shares of the length (an estimate).
 *
 * @param legTopMm how far up the leg it goes, mm over the floor
 */
export function sideOutline(heights: SideHeights, legTopMm: number): Cubic[] {
  const { lengthMm: L, toeMm: toe, dorsumMm: dorsum, medialMalleolusMm: medial } = heights
  const out: Cubic[] = []
  let at: SidePoint = [0.05 * L, legTopMm]
  const to = (first: SidePoint, second: SidePoint, end: SidePoint) => {
    out.push([at, first, second, end])
    at = end
  }
  const straight = (end: SidePoint) => to(at, end, end)
  to([0.05 * L, medial], [0.045 * L, 0.24 * L], [0.012 * L, 0.14 * L])
  to([0.004 * L, 0.115 * L], [0, 0.095 * L], [0, 0.07 * L])
  to([0, 0.03 * L], [0.025 * L, 0], [0.07 * L, 0])
  straight([0.2 * L, 0])
  to([0.32 * L, 0.012 * L], [0.38 * L, 0.062 * L], [0.46 * L, 0.06 * L])
  to([0.56 * L, 0.055 * L], [0.6 * L, 0], [0.7 * L, 0])
  straight([0.94 * L, 0])
  to([0.98 * L, 0], [L, 0.2 * toe], [L, 0.42 * toe])
  to([L, 0.7 * toe], [0.985 * L, 0.88 * toe], [0.955 * L, 0.95 * toe])
  to([0.92 * L, 1.04 * toe], [0.86 * L, toe], [0.76 * L, 0.9 * toe + 0.18 * dorsum])
  to([0.66 * L, 0.74 * dorsum], [0.58 * L, 0.88 * dorsum], [0.5 * L, dorsum])
  to([0.42 * L, 1.14 * dorsum], [0.38 * L, 0.98 * medial], [0.365 * L, medial + 16])
  straight([0.36 * L, legTopMm])
  return out
}

const POINTS_A_CURVE = 6

/** Points along curves, each curve's end and so many before it. */
export const alongCubics = (
  cubics: readonly Cubic[],
  each = POINTS_A_CURVE,
): [number, number][] => [
  [...cubics[0]![0]],
  ...cubics.flatMap((cubic) =>
    Array.from({ length: each }, (_, i): [number, number] => pointOf(cubic, (i + 1) / each)),
  ),
]

function pointOf([a, b, c, d]: Cubic, t: number): [number, number] {
  const u = 1 - t
  const [w0, w1, w2, w3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t]
  return [
    w0 * a[0] + w1 * b[0] + w2 * c[0] + w3 * d[0],
    w0 * a[1] + w1 * b[1] + w2 * c[1] + w3 * d[1],
  ]
}
