import { interpolateRgb } from 'd3-interpolate'
import { contourRings, type ContourRing } from '../../core/device/contours'
import { soleOutline } from '../../core/device/outline'
import { sampleSole } from '../../core/device/soleField'
import type { SoleParameters } from '../../core/geometry/soleField'
import type { Side } from '../../core/tables/vocabulary'

type Point = readonly [number, number]

/** Left feet are drawn as they are, right feet mirrored, so that inner edges face each other. */
export const mirror = (side: Side): 1 | -1 => (side === 'left' ? 1 : -1)

/**
 * A foot's point in drawing millimetres: x mirrored for the right foot, y down, heel at the bottom.
 */
export const toDrawing = (side: Side, lengthMm: number, [x, y]: Point): [number, number] => [
  x * mirror(side),
  lengthMm - y,
]

const n = (v: number) => (Math.round(v * 10) / 10).toString()

/** SVG path of a closed line in drawing millimetres. */
export const pathOf = (side: Side, lengthMm: number, points: readonly Point[]): string =>
  points.length === 0
    ? ''
    : `M${points.map((p) => toDrawing(side, lengthMm, p).map(n).join(' ')).join('L')}Z`

/**
 * Drops points that lie within a tolerance of the line between their neighbours (fewer points, same
 * look).
 */
export function thin(points: readonly Point[], everyMm = 1.2): Point[] {
  const out: Point[] = []
  for (const p of points) {
    const last = out.at(-1)
    if (!last || Math.hypot(p[0] - last[0], p[1] - last[1]) >= everyMm) out.push(p)
  }
  return out
}

/** Tint of ring i of n: the hue over the sheet, from low to high. */
export const tint = (hue: string, i: number, count: number, low: number, high: number): string =>
  interpolateRgb('#FFFDF8', hue)(low + ((high - low) * i) / Math.max(1, count))

export const HUES: Record<Side | 'spruce', string> = {
  left: '#7B3F61',
  right: '#1F6C86',
  spruce: '#24564B',
}

/** One filled ring of a terrain with its path and tint. */
export interface DrawnRing {
  d: string
  fill: string
  index: boolean
  heightMm: number
  label: [number, number] | null
}

/** Is a point inside a closed line? Even–odd rule. */
export function isInside(line: readonly Point[], x: number, y: number): boolean {
  let inside = false
  for (let i = 0, j = line.length - 1; i < line.length; j = i++) {
    const [xi, yi] = line[i]!
    const [xj, yj] = line[j]!
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside
  }
  return inside
}

/**
 * A place on an index ring for its height: well inside the outline, as far back as the middle of
 * the foot allows.
 */
function labelSpot(rings: readonly (readonly Point[])[], outline: readonly Point[]): Point | null {
  for (const ring of [...rings].sort((a, b) => b.length - a.length)) {
    const good = ring.filter(
      ([x, y], i) =>
        i % 3 === 0 &&
        isInside(outline, x - 8, y) &&
        isInside(outline, x + 8, y) &&
        isInside(outline, x, y - 8) &&
        isInside(outline, x, y + 8),
    )
    if (good.length > 4) return good[Math.floor(good.length / 2)]!
  }
  return null
}

/**
 * Rings as filled paths in one hue, darker = higher; every `indexEvery`th is an index ring with its
 * height set on it.
 */
export function drawRings(
  side: Side,
  lengthMm: number,
  rings: readonly ContourRing[],
  hue: string,
  low: number,
  high: number,
  indexEvery: number,
  intervalMm: number,
  outline: readonly Point[],
): DrawnRing[] {
  return rings.map((ring, i) => {
    const index = Math.round(ring.heightMm / intervalMm) % indexEvery === 0 && ring.heightMm > 0
    const spot = index ? labelSpot(ring.rings, outline) : null
    return {
      d: ring.rings.map((points) => pathOf(side, lengthMm, thin(points))).join(''),
      fill: tint(hue, i + 1, rings.length, low, high),
      index,
      heightMm: ring.heightMm,
      label: spot ? toDrawing(side, lengthMm, spot) : null,
    }
  })
}

/** The bare sole of a foot as terrain, on a 2 mm grid: outline and rings. */
export function drawSole(
  side: Side,
  parameters: SoleParameters,
): {
  lengthMm: number
  outline: string
  rings: DrawnRing[]
  sole: ReturnType<typeof sampleSole>['sole']
} {
  const field = sampleSole(parameters, 2)
  const { lengthMm } = parameters
  const rings = contourRings(field, field.z, (i) => field.mask[i] === 1, 1.5)
  const line = soleOutline(field.sole)
  return {
    lengthMm,
    outline: pathOf(side, lengthMm, line),
    rings: drawRings(side, lengthMm, rings, HUES[side], 0.04, 0.42, 4, 1.5, line),
    sole: field.sole,
  }
}
