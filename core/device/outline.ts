import { contours } from 'd3-contour'
import type { ShellBody } from './shell'
import type { Sole } from './sole'

type Point = [number, number]

/** The border of the foot's plan as a closed line, heel → medial → toes → lateral, mm. */
export function soleOutline(sole: Sole): Point[] {
  const { lengthMm } = sole.parameters
  const medial: Point[] = []
  const lateral: Point[] = []
  const steps = 140
  for (let k = 0; k <= steps; k++) {
    // Closer together at the heel, where the border turns.
    const t = k / steps
    const y = lengthMm * t * t * (2 - t)
    medial.push([sole.medial(y), y])
    lateral.push([sole.lateral(y), y])
  }
  return [...medial, ...roundToe(sole), ...lateral.reverse()]
}

/** Joins the two borders in front of the toes, where the formula ends in a straight cut. */
function roundToe(sole: Sole): Point[] {
  const { lengthMm } = sole.parameters
  const [m, l] = [sole.medial(lengthMm), sole.lateral(lengthMm)]
  return Array.from({ length: 9 }, (_, k): Point => {
    const a = ((k + 1) / 10) * Math.PI
    return [(m + l) / 2 + ((m - l) / 2) * Math.cos(a), lengthMm + 2.2 * Math.sin(a)]
  })
}

/** The trim line of the shell as a closed line, mm: the zero line of the body's trim field. */
export function trimLine(body: ShellBody): Point[] {
  const { field } = body.surface
  const [shape] = contours().size([field.columns, field.rows]).thresholds([0])(body.inside as unknown as number[])
  const longest = shape!.coordinates.flat().sort((a, b) => b.length - a.length)[0] ?? []
  return longest.map(([c, r]) => [field.x0 + c! * field.stepMm, field.y0 + r! * field.stepMm])
}

/** The cover's outline: as the shell, to the sulcus behind the toes, or full length. */
export function coverLine(body: ShellBody, cover: 'shell' | 'sulcus' | 'full'): Point[] {
  if (cover === 'shell') return trimLine(body)
  const { sole } = body.surface.field
  const whole = soleOutline(sole)
  if (cover === 'full') return whole
  const toeLine = (x: number) => {
    const toes = [...sole.toes].sort((a, b) => a.x - b.x)
    const near = toes.reduce((best, toe) => (Math.abs(toe.x - x) < Math.abs(best.x - x) ? toe : best), toes[0]!)
    return (near.y + sole.headLineY(x)) / 2
  }
  return whole.map(([x, y]): Point => [x, Math.min(y, toeLine(x))])
}
