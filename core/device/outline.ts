import { contours } from 'd3-contour'
import type { ShellBody } from './bodySolid'
import type { Sole } from '../geometry/soleField'

type Point = [number, number]

/**
 * Share of length from which the drawn outline leaves the border formula and closes round the toes.
 */
const TOE_FROM = 0.93

/** The border of the foot's plan as a closed line, heel → medial → toes → lateral, mm. */
export function soleOutline(sole: Sole): Point[] {
  const { lengthMm } = sole.parameters
  const medial: Point[] = []
  const lateral: Point[] = []
  const steps = 130
  for (let k = 0; k <= steps; k++) {
    // Closer together at the heel, where the border turns.
    const t = k / steps
    const y = TOE_FROM * lengthMm * t * t * (2 - t)
    medial.push([sole.medial(y), y])
    lateral.push([sole.lateral(y), y])
  }
  return [...medial, ...roundToe(sole), ...lateral.reverse()]
}

/**
 * Closes the two borders round the toes, where the formula ends in a straight cut: two curves that
 * meet at the tip, level.
 */
function roundToe(sole: Sole): Point[] {
  const { lengthMm } = sole.parameters
  const y0 = TOE_FROM * lengthMm
  const step = 1
  const tip: Point = [sole.medial(lengthMm) * 0.62, lengthMm]
  const curve = (from: Point, lean: Point, to: Point, flat: number): Point[] =>
    Array.from({ length: 10 }, (_, k): Point => {
      const t = (k + 1) / 10
      const [a, b, c, d] = [(1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t ** 3]
      return [
        a * from[0] + b * (from[0] + lean[0]) + c * (to[0] + flat) + d * to[0],
        a * from[1] + b * (from[1] + lean[1]) + c * to[1] + d * to[1],
      ]
    })
  const reach = lengthMm - y0
  const side = (at: (y: number) => number): { from: Point; lean: Point } => {
    const dx = (at(y0) - at(y0 - step)) / step
    return { from: [at(y0), y0], lean: [dx * reach * 0.6, reach * 0.6] }
  }
  const m = side(sole.medial)
  const l = side(sole.lateral)
  const up = curve(m.from, m.lean, tip, 9)
  const down = curve(l.from, l.lean, tip, -11).reverse().slice(1)
  return [...up, ...down]
}

/**
 * Every closed line along which a shell is cut, mm, the longest first: its border and the holes in
 * it.
 */
export function trimLines(body: ShellBody): Point[][] {
  const { field } = body.surface
  const [shape] = contours().size([field.columns, field.rows]).thresholds([0])(
    body.inside as unknown as number[],
  )
  const lines = shape!.coordinates
    .flat()
    .map((ring) =>
      ring.map(([c, r]): Point => [field.x0 + c! * field.stepMm, field.y0 + r! * field.stepMm]),
    )
  return lines.sort((a, b) => b.length - a.length)
}

/** The border of the shell as a closed line, mm. */
export const trimLine = (body: ShellBody): Point[] => trimLines(body)[0] ?? []

/** The cover's outline: as the shell, to the sulcus behind the toes, or full length. */
export function coverLine(body: ShellBody, cover: 'shell' | 'sulcus' | 'full'): Point[] {
  if (cover === 'shell') return trimLine(body)
  const { sole } = body.surface.field
  const whole = soleOutline(sole)
  if (cover === 'full') return whole
  const toeLine = (x: number) => {
    const toes = [...sole.toes].sort((a, b) => a.x - b.x)
    const near = toes.reduce(
      (best, toe) => (Math.abs(toe.x - x) < Math.abs(best.x - x) ? toe : best),
      toes[0]!,
    )
    return (near.y + sole.headLineY(x)) / 2
  }
  return whole.map(([x, y]): Point => [x, Math.min(y, toeLine(x))])
}
