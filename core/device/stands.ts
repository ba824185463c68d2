import { restingPlane, type Plane } from '../geometry/restingPlane'
import { degrees } from '../geometry/tilt'
import type { SoleField } from '../geometry/soleField'

/**
 * How a device is judged on a flat floor, mm, degrees and shares of the foot length.
 *
 * Source: workshop practice; a flat bench, a protractor and a feeler of 1 mm.
 */
export const STANDING = {
  /** what lies within this of the floor carries */
  carriesMm: 0.1,
  /** places that carry are told on a raster of this */
  rasterMm: 5,
  /** the load stands over the middle line here */
  loadShare: 0.357,
  /** what would rest steeper than this has fallen over its edge */
  fallsSlope: 0.6,
  /** so far to either side the load is moved to see whether it rocks, and what roll counts as that */
  rockMm: 5,
  rockDeg: 1.5,
  /** the load travels from heel to ball */
  travelShare: [0.15, 0.55],
  travelSteps: 9,
  /** a base or a heel that hangs higher is told, and a device that rolls further */
  hangsMm: 1,
  rollsDeg: 1,
  /** a roll under this is level */
  levelDeg: 0.5,
  /** the heel is looked at behind this share */
  heelShare: 0.22,
} as const

/** How a device stands on a flat floor, measured on its finished body. Angles in degrees. */
export interface Stands {
  /** + = its medial side goes down (everted) */
  rollDeg: number
  /** + = its front goes down */
  pitchDeg: number
  /** places that carry, thinned, mm in the foot's frame */
  onMm: [number, number][]
  /** the highest that a base, the heel or a corner of the front edge hangs over the floor, mm */
  largestGapMm: number
  /** the same of bases and the heel alone: corners of a front edge that is crowned hang a little */
  baseGapMm: number
  rocks: boolean
  /** how much it rolls while the load moves aside; 90 where it falls over there */
  rocksDeg: number
  /** how much it rolls while the load travels from heel to ball */
  travelDeg: number
  words: string
  /** the floor itself, in the heights of the mesh */
  floor: Plane
}

/** The underside of a finished body: points that may carry, and those that should. */
export interface Underside {
  /** x, y, z triples, mm */
  points: Float64Array
  /** which of them belong to the base of a post, a lift or a stabiliser */
  isBase: Uint8Array
  /** the front edge carries from so far behind the heads on: in front of it, it is ground thin */
  edgeMm: number
}

/** Roll of a floor under a body, degrees, + = the body's medial side goes down. */
export const rollOf = ({ b }: Plane): number => degrees(Math.atan(b))

/**
 * Puts a body on a flat floor under a load over the middle line, and says how it stands there. Null
 * where it falls over.
 *
 * @param underside of the finished body, posts and lifts in
 * @param field the foot's plan: where the load stands, and where the front edge's corners are
 *
 * @see {@link restingPlane}
 */
export function standsOf({ points, isBase, edgeMm }: Underside, field: SoleField): Stands | null {
  const L = field.sole.parameters.lengthMm
  const under = (x: number, share: number) => restingPlane(points, [x, share * L])
  const rest = under(0, STANDING.loadShare)
  if (!rest || Math.max(Math.abs(rest.b), Math.abs(rest.c)) > STANDING.fallsSlope) return null
  const over = (i: number) =>
    points[3 * i + 2]! - rest.a - rest.b * points[3 * i]! - rest.c * points[3 * i + 1]!
  const sides = [-1, 1].map((side) => under(side * STANDING.rockMm, STANDING.loadShare))
  const rocksDeg = Math.max(
    ...sides.map((plane) => (plane ? Math.abs(rollOf(plane) - rollOf(rest)) : 90)),
  )
  const [from, to] = STANDING.travelShare
  const travel = Array.from({ length: STANDING.travelSteps }, (_, k) =>
    under(0, from + ((to - from) * k) / (STANDING.travelSteps - 1)),
  ).flatMap((plane) => (plane ? [rollOf(plane)] : []))
  const travelDeg = Math.max(...travel) - Math.min(...travel)
  const stands = {
    rollDeg: rollOf(rest),
    pitchDeg: degrees(Math.atan(rest.c)),
    onMm: carrying(points, over),
    ...gaps({ points, isBase, edgeMm }, field, over),
    rocks: rocksDeg > STANDING.rockDeg,
    rocksDeg,
    travelDeg,
  }
  return { ...stands, words: standsWords(stands), floor: rest }
}

/** Places that carry: of each square of a raster the point nearest to the floor. */
function carrying(points: Float64Array, over: (i: number) => number): [number, number][] {
  const best = new Map<string, { i: number; mm: number }>()
  for (let i = 0; i < points.length / 3; i++) {
    const mm = over(i)
    if (mm > STANDING.carriesMm) continue
    const key = [points[3 * i]!, points[3 * i + 1]!]
      .map((v) => Math.floor(v / STANDING.rasterMm))
      .join()
    const known = best.get(key)
    if (!known || mm < known.mm) best.set(key, { i, mm })
  }
  return [...best.values()].map(({ i }) => [points[3 * i]!, points[3 * i + 1]!])
}

/** What should stand on the floor: bases, the heel's lowest point, corners of the front edge. */
function gaps(
  { points, isBase, edgeMm }: Underside,
  { sole }: SoleField,
  over: (i: number) => number,
): Pick<Stands, 'largestGapMm' | 'baseGapMm'> {
  const heelY = STANDING.heelShare * sole.parameters.lengthMm
  let most = 0
  let heel = -1
  const corners = [sole.heads[0]!, sole.heads[4]!].map(({ x }) => ({
    x,
    y: sole.headLineY(x) - edgeMm,
    i: -1,
    awayMm: Infinity,
  }))
  for (let i = 0; i < isBase.length; i++) {
    const [x, y, z] = [points[3 * i]!, points[3 * i + 1]!, points[3 * i + 2]!]
    if (isBase[i]) most = Math.max(most, over(i))
    if (y < heelY && (heel < 0 || z < points[3 * heel + 2]!)) heel = i
    for (const corner of corners) {
      const awayMm = Math.hypot(x - corner.x, y - corner.y)
      if (awayMm < corner.awayMm) Object.assign(corner, { i, awayMm })
    }
  }
  const baseGapMm = Math.max(most, heel < 0 ? 0 : over(heel))
  const largestGapMm = Math.max(baseGapMm, ...corners.map(({ i }) => (i < 0 ? 0 : over(i))))
  return { largestGapMm, baseGapMm }
}

/** How it stands, in a sentence. */
export function standsWords({
  rollDeg,
  rocks,
  rocksDeg,
  baseGapMm,
}: Pick<Stands, 'rollDeg' | 'rocks' | 'rocksDeg' | 'baseGapMm'>): string {
  const hangs =
    baseGapMm > STANDING.hangsMm ? `; what it should stand on hangs ${baseGapMm.toFixed(1)} mm` : ''
  if (rocks) return `rocks by ${rocksDeg.toFixed(1)}° on a flat floor${hangs}`
  if (Math.abs(rollDeg) < STANDING.levelDeg) return `stands level on a flat floor${hangs}`
  const down = rollDeg > 0 ? 'inner' : 'outer'
  return `rolls ${Math.abs(rollDeg).toFixed(1)}° to its ${down} side on a flat floor${hangs}`
}
