import type { SoleField } from '../geometry/soleField'
import { radians } from '../geometry/tilt'
import { smoothstep as S } from '../geometry/smoothstep'

/** The rear is turned whole behind the first share and not at all in front of the second. */
const TURNS_OUT = [0.3, 0.6] as const
/** The inner arch comes at most so far over what it is uninverted, mm. */
const ARCH_MOST_MM = 2
/** From this share of the width inward it is the inner arch, and from this share of the length on. */
const INNER_SHARE = 0.5
const ARCH_FROM_SHARE = 0.22

/**
 * Heights of a cast whose rear is turned about the long axis as a body, its inner side up, and sampled
 * again: what was beside a place is above it now. The turn runs out towards the ball; the inner arch is
 * blended down. A height has no undercut: where the turned wall leans over, its uppermost place counts.
 *
 * Source: the inverted technique (Blake 1986), as shops build it.
 *
 * @param castDeg + inverted
 */
export function invertedCast(field: SoleField, castDeg: number): Float64Array {
  const out = field.z.slice()
  const { columns, rows, stepMm, x0 } = field
  for (let row = 0; row < rows; row++) {
    const first = row * columns
    const s = field.s[first]!
    const angle = radians(castDeg) * (1 - S(s, ...TURNS_OUT))
    if (angle === 0) continue
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
    const turned = new Float64Array(columns).fill(-Infinity)
    for (let c = 0; c + 1 < columns; c++) {
      // The line between two cells, turned, and every cell that it passes over.
      const [a, b] = [c, c + 1].map((k) => {
        const [x, z] = [field.x[first + k]!, field.z[first + k]!]
        return { x: x * cos - z * sin, z: x * sin + z * cos }
      }) as [{ x: number; z: number }, { x: number; z: number }]
      const [low, high] = a.x < b.x ? [a, b] : [b, a]
      const from = Math.max(0, Math.ceil((low.x - x0) / stepMm - 0.5))
      const to = Math.min(columns - 1, Math.floor((high.x - x0) / stepMm - 0.5))
      for (let k = from; k <= to; k++) {
        const t = high.x > low.x ? (x0 + (k + 0.5) * stepMm - low.x) / (high.x - low.x) : 0
        turned[k] = Math.max(turned[k]!, low.z + t * (high.z - low.z))
      }
    }
    fillEnds(turned)
    // The turned cast lies on its outer side as the cast lay before: nothing comes below that.
    let [lowest, turnedLowest] = [Infinity, Infinity]
    for (let c = 0; c < columns; c++) {
      if (!field.mask[first + c]) continue
      lowest = Math.min(lowest, field.z[first + c]!)
      turnedLowest = Math.min(turnedLowest, turned[c]!)
    }
    const upMm = lowest < Infinity ? lowest - turnedLowest : 0
    for (let c = 0; c < columns; c++) turned[c]! += upMm
    for (let c = 0; c < columns; c++) {
      const i = first + c
      const isArch = S(s, ARCH_FROM_SHARE, TURNS_OUT[0]) * S(field.u[i]!, INNER_SHARE, 0.7)
      const over = Math.max(0, turned[c]! - field.z[i]! - ARCH_MOST_MM)
      out[i] = turned[c]! - isArch * over
    }
  }
  return out
}

/** What the turn has left empty at the ends runs on level. */
function fillEnds(line: Float64Array): void {
  const known = [...line.keys()].filter((k) => line[k] !== -Infinity)
  const [first, last] = [known[0] ?? 0, known.at(-1) ?? 0]
  for (let k = 0; k < line.length; k++)
    if (line[k] === -Infinity) line[k] = line[k < first ? first : k > last ? last : k - 1]!
}
