import { interpolateRgb } from 'd3-interpolate'
import { contourRings, type ContourRing } from '../../core/device/contours'
import { soleOutline } from '../../core/device/outline'
import { sampleSole } from '../../core/device/soleField'
import type { SoleParameters } from '../../core/device/soleParameters'
import type { Side } from '../../core/record/vocabulary'

type Point = readonly [number, number]

/** Left feet are drawn as they are, right feet mirrored, so that inner edges face each other. */
export const mirror = (side: Side): 1 | -1 => (side === 'left' ? 1 : -1)

/** A foot's point in drawing millimetres: x mirrored for the right foot, y down, heel at the bottom. */
export const toDrawing = (side: Side, lengthMm: number, [x, y]: Point): [number, number] => [x * mirror(side), lengthMm - y]

const n = (v: number) => (Math.round(v * 10) / 10).toString()

/** SVG path of a closed line in drawing millimetres. */
export const pathOf = (side: Side, lengthMm: number, points: readonly Point[]): string =>
  points.length === 0 ? '' : `M${points.map((p) => toDrawing(side, lengthMm, p).map(n).join(' ')).join('L')}Z`

/** Drops points that lie within a tolerance of the line between their neighbours (fewer points, same look). */
export function thin(points: readonly Point[], everyMm = 1.2): Point[] {
  const out: Point[] = []
  for (const p of points) {
    const last = out.at(-1)
    if (!last || Math.hypot(p[0] - last[0], p[1] - last[1]) >= everyMm) out.push(p)
  }
  return out
}

/** Tint of ring i of n: the hue over the sheet, from low to high. */
export const tint = (hue: string, i: number, count: number, low: number, high: number): string => interpolateRgb('#FFFDF8', hue)(low + ((high - low) * i) / Math.max(1, count))

export const HUES: Record<Side | 'spruce', string> = { left: '#7B3F61', right: '#1F6C86', spruce: '#24564B' }

/** One filled ring of a terrain with its path and tint. */
export interface DrawnRing {
  d: string
  fill: string
  index: boolean
  heightMm: number
  label: [number, number] | null
}

/** Rings as filled paths in one hue, darker = higher; every `indexEvery`th is an index ring with its height set on it. */
export function drawRings(side: Side, lengthMm: number, rings: readonly ContourRing[], hue: string, low: number, high: number, indexEvery: number, intervalMm: number): DrawnRing[] {
  return rings.map((ring, i) => {
    const index = Math.round(ring.heightMm / intervalMm) % indexEvery === 0 && ring.heightMm > 0
    const longest = [...ring.rings].sort((a, b) => b.length - a.length)[0]
    const spot = index && longest && longest.length > 40 ? longest[Math.floor(longest.length * 0.25)]! : null
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
export function drawSole(side: Side, parameters: SoleParameters): { lengthMm: number; outline: string; rings: DrawnRing[]; sole: ReturnType<typeof sampleSole>['sole'] } {
  const field = sampleSole(parameters, 2)
  const { lengthMm } = parameters
  const rings = contourRings(field, field.z, (i) => field.mask[i] === 1, 1.5)
  return { lengthMm, outline: pathOf(side, lengthMm, soleOutline(field.sole)), rings: drawRings(side, lengthMm, rings, HUES[side], 0.04, 0.42, 4, 1.5), sole: field.sole }
}
