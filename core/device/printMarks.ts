import type { Side } from '../tables/vocabulary'
import type { ShellBody } from './bodySolid'
import { floorUnder } from './thinned'

/** How letters stand on a printed device, mm (house sizes). */
const MARKS = {
  raisedMm: 0.6,
  /** they keep so much over the floor */
  overFloorMm: 1,
  /** a dot of a letter: whole cells of the grid, between these */
  dotMm: [1, 2],
  /** the arch that they stand under, as shares of the length */
  fromShare: 0.29,
  toShare: 0.62,
} as const

/** Letters of 5 by 7 dots, a row a number, the leftmost dot its highest bit. */
const GLYPHS: Record<string, readonly number[]> = {
  A: [14, 17, 17, 31, 17, 17, 17],
  B: [30, 17, 17, 30, 17, 17, 30],
  C: [14, 17, 16, 16, 16, 17, 14],
  D: [30, 17, 17, 17, 17, 17, 30],
  E: [31, 16, 16, 30, 16, 16, 31],
  F: [31, 16, 16, 30, 16, 16, 16],
  G: [14, 17, 16, 23, 17, 17, 15],
  H: [17, 17, 17, 31, 17, 17, 17],
  I: [14, 4, 4, 4, 4, 4, 14],
  J: [7, 2, 2, 2, 2, 18, 12],
  K: [17, 18, 20, 24, 20, 18, 17],
  L: [16, 16, 16, 16, 16, 16, 31],
  M: [17, 27, 21, 21, 17, 17, 17],
  N: [17, 25, 21, 19, 17, 17, 17],
  O: [14, 17, 17, 17, 17, 17, 14],
  P: [30, 17, 17, 30, 16, 16, 16],
  Q: [14, 17, 17, 17, 21, 18, 13],
  R: [30, 17, 17, 30, 20, 18, 17],
  S: [15, 16, 16, 14, 1, 1, 30],
  T: [31, 4, 4, 4, 4, 4, 4],
  U: [17, 17, 17, 17, 17, 17, 14],
  V: [17, 17, 17, 17, 17, 10, 4],
  W: [17, 17, 17, 21, 21, 27, 17],
  X: [17, 17, 10, 4, 10, 17, 17],
  Y: [17, 17, 10, 4, 4, 4, 4],
  Z: [31, 1, 2, 4, 8, 16, 31],
  '0': [14, 17, 19, 21, 25, 17, 14],
  '1': [4, 12, 4, 4, 4, 4, 14],
  '2': [14, 17, 1, 6, 8, 16, 31],
  '3': [31, 2, 4, 2, 1, 17, 14],
  '4': [2, 6, 10, 18, 31, 2, 2],
  '5': [31, 16, 30, 1, 1, 17, 14],
  '6': [6, 8, 16, 30, 17, 17, 14],
  '7': [31, 1, 2, 4, 8, 8, 8],
  '8': [14, 17, 17, 14, 17, 17, 14],
  '9': [14, 17, 17, 15, 1, 2, 12],
  '-': [0, 0, 0, 31, 0, 0, 0],
}
const WIDE = 5
const HIGH = 7
const APART = 1
const BETWEEN = 2

/** Is there a dot of a line of letters at a place, counted in dots from its upper left corner? */
function isDot(text: string, right: number, down: number): boolean {
  if (right < 0 || down < 0 || down >= HIGH) return false
  const glyph = GLYPHS[text[Math.floor(right / (WIDE + APART))] ?? '']
  const column = Math.floor(right % (WIDE + APART))
  return (
    glyph !== undefined &&
    column < WIDE &&
    ((glyph[Math.floor(down)]! >> (WIDE - 1 - column)) & 1) === 1
  )
}

/**
 * A printed device with its side and its client's code raised on the underside of the arch, to be read from
 * below with the heel to the left. Nothing of it comes closer than a millimetre to the floor.
 */
export function marked(body: ShellBody, side: Side, code: string): ShellBody {
  const { field } = body.surface
  const floor = floorUnder(field, body.inside, body.bottom)
  if (!floor) return body
  const lines = [side.toUpperCase(), code.toUpperCase()].map((t) => t.replace(/[^A-Z0-9-]/g, '-'))
  const L = field.sole.parameters.lengthMm
  const [from, to] = [Math.round(MARKS.fromShare * L), MARKS.toShare * L]
  const longest = Math.max(...lines.map((t) => t.length * (WIDE + APART)))
  const [least, most] = MARKS.dotMm
  const dotMm = Math.min(most, Math.max(least, Math.floor((to - from) / longest)))
  // Bodies of right feet are mirrored when they leave: their letters are drawn the other way up.
  const up = side === 'left' ? 1 : -1
  // The outer half of an arch is too low for letters.
  const middleX = Math.round(0.4 * field.sole.medial(0.42 * L))
  const highMm = lines.length * (HIGH + BETWEEN) * dotMm
  const bottom = body.bottom.slice()
  for (let i = 0; i < bottom.length; i++) {
    if (body.inside[i]! <= 1 || body.isBase[i]) continue
    const right = (field.y[i]! - from) / dotMm
    const down = (highMm / 2 - up * (field.x[i]! - middleX)) / dotMm
    const line = Math.floor(down / (HIGH + BETWEEN))
    if (!lines[line] || !isDot(lines[line], right, down - line * (HIGH + BETWEEN))) continue
    const raised = bottom[i]! - MARKS.raisedMm
    if (raised - floor(i) >= MARKS.overFloorMm) bottom[i] = raised
  }
  return { ...body, bottom }
}
