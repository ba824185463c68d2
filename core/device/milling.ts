import type { SoleField } from '../geometry/soleField'
import type { ShellBody } from './bodySolid'
import { lowerOffset } from './erode'

/** How a block is milled, mm (house sizes). */
const MILLING = {
  /** material around the body in its block, and above and below it */
  aroundMm: 12,
  overMm: 3,
  /** the body hangs in its block by so many tabs of this size while it is turned over */
  tabs: [
    { share: 0.12, medial: true },
    { share: 0.12, medial: false },
    { share: 0.5, medial: true },
    { share: 0.5, medial: false },
  ],
  tabMm: [6, 4],
} as const

/** Radius of the usual ball-nosed tool, mm. */
export const TOOL_MM = 3

/** A ball-nosed tool and what it cannot reach of a surface. */
export interface Reached {
  /** the surface as the tool leaves it, from above, mm */
  z: Float64Array
  /** the most that it leaves standing, and where, mm */
  missedMm: number
  xMm: number
  yMm: number
}

/** Material that is left standing counts from here on, mm. */
const COUNTS_MM = 0.02

/**
 * What a ball-nosed tool leaves of a surface that it mills from above: where a hollow is narrower than the
 * tool, material stays (closing by a ball, Serra 1982).
 *
 * @param inside where it is milled (+), mm
 * @param radiusMm of the tool
 */
export function milledFromAbove(
  field: SoleField,
  z: Float64Array,
  inside: Float64Array,
  radiusMm: number,
): Reached {
  // The tool's middle rides on balls around every point of the surface; it leaves what lies below all of them.
  const flipped = lowerOffset(
    field,
    z.map((v) => -v),
    inside,
    radiusMm,
  )
  const left = lowerOffset(
    field,
    flipped.map((v) => -v),
    inside,
    radiusMm,
  )
  const out: Reached = { z: z.slice(), missedMm: 0, xMm: 0, yMm: 0 }
  for (let i = 0; i < z.length; i++) {
    if (inside[i]! <= 0) continue
    const missed = left[i]! - z[i]!
    if (missed < COUNTS_MM) continue
    out.z[i] = left[i]!
    if (missed > out.missedMm)
      Object.assign(out, { missedMm: missed, xMm: field.x[i]!, yMm: field.y[i]! })
  }
  return out
}

/** The block that a device is milled from, and the tabs that hold it while it is turned over. */
export interface MillingSetup {
  stockMm: { across: number; along: number; high: number }
  /** turned over about the long axis */
  flip: 'long axis'
  tabs: { xMm: number; yMm: number; acrossMm: number; alongMm: number }[]
  /** top and underside as the tool leaves them */
  top: Omit<Reached, 'z'>
  underside: Omit<Reached, 'z'>
}

/** How a device is milled out of a block: from above, turned over, from below. */
export function millingSetup(body: ShellBody, radiusMm: number): MillingSetup {
  const { field } = body.surface
  const box = { x: [Infinity, -Infinity], y: [Infinity, -Infinity], z: [Infinity, -Infinity] }
  const grow = (range: number[], v: number) => {
    range[0] = Math.min(range[0]!, v)
    range[1] = Math.max(range[1]!, v)
  }
  for (let i = 0; i < body.inside.length; i++) {
    if (body.inside[i]! <= 0) continue
    grow(box.x, field.x[i]!)
    grow(box.y, field.y[i]!)
    grow(box.z, body.top[i]!)
    grow(box.z, body.bottom[i]!)
  }
  const size = ([low, high]: number[]) => high! - low!
  const { z: _, ...top } = milledFromAbove(field, body.top, body.inside, radiusMm)
  const { z: __, ...underside } = milledFromAbove(
    field,
    body.bottom.map((v) => -v),
    body.inside,
    radiusMm,
  )
  return {
    stockMm: {
      across: Math.ceil(size(box.x) + 2 * MILLING.aroundMm),
      along: Math.ceil(size(box.y) + 2 * MILLING.aroundMm),
      high: Math.ceil(size(box.z) + 2 * MILLING.overMm),
    },
    flip: 'long axis',
    tabs: MILLING.tabs.map(({ share, medial }) => {
      const yMm = share * field.sole.parameters.lengthMm
      return {
        xMm: borderAt(body, yMm, medial),
        yMm,
        acrossMm: MILLING.tabMm[0],
        alongMm: MILLING.tabMm[1],
      }
    }),
    top,
    underside,
  }
}

/** Where the body ends in a row, mm. */
function borderAt({ surface: { field }, inside }: ShellBody, yMm: number, medial: boolean): number {
  let found = 0
  for (let i = 0; i < inside.length; i++)
    if (inside[i]! > 0 && Math.abs(field.y[i]! - yMm) <= field.stepMm / 2)
      found = medial ? Math.max(found, field.x[i]!) : Math.min(found, field.x[i]!)
  return found
}
