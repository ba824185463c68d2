import { restingPlane } from '../geometry/restingPlane'
import type { SoleField } from '../geometry/soleField'
import type { LayerResult } from './surface'
import { STANDING } from './stands'

/** Heights without what some layers changed; the same array where they changed nothing, mm. */
export function without(z: Float64Array, layers: readonly LayerResult[]): Float64Array {
  if (layers.length === 0) return z
  const out = z.slice()
  for (const { change } of layers) for (let i = 0; i < out.length; i++) out[i]! -= change[i]!
  return out
}

/** Height of the floor at a cell, mm. */
export type FloorAt = (i: number) => number

/** The floor that an underside rests on under the load; null where it falls over. */
export function floorUnder(
  field: SoleField,
  inside: Float64Array,
  underside: Float64Array,
): FloorAt | null {
  const points = new Float64Array(3 * inside.length)
  let n = 0
  for (let i = 0; i < inside.length; i++) {
    if (inside[i]! <= 0) continue
    points[n++] = field.x[i]!
    points[n++] = field.y[i]!
    points[n++] = underside[i]!
  }
  const rest = restingPlane(points.subarray(0, n), [
    0,
    STANDING.loadShare * field.sole.parameters.lengthMm,
  ])
  return rest && ((i) => rest.a + rest.b * field.x[i]! + rest.c * field.y[i]!)
}

/** A shell's top and underside, mm. */
interface Sheet {
  top: Float64Array
  bottom: Float64Array
}

/**
 * Grinds flat what would stand below the floor, and keeps the least thickness above it: what goes down
 * goes down to the floor and not through it.
 *
 * @param leastMm that the material keeps; null: all of what is there
 */
export function groundToFloor(
  { top, bottom }: Sheet,
  floor: FloorAt | null,
  leastMm: number | null,
): Sheet {
  if (!floor) return { top, bottom }
  const out = { top: top.slice(), bottom: bottom.slice() }
  for (let i = 0; i < top.length; i++) {
    const floorMm = floor(i)
    if (bottom[i]! >= floorMm) continue
    const thick = top[i]! - bottom[i]!
    const kept = Math.min(thick, leastMm ?? thick)
    out.bottom[i] = floorMm
    out.top[i] = Math.max(top[i]!, floorMm + kept)
  }
  return out
}

/**
 * A hollow is milled or printed into a shell whose underside stays: the top goes down until the least
 * thickness is left.
 *
 * @param whole the shell without its hollows
 */
export function hollowed(whole: Sheet, top: Float64Array, leastMm: number | null): Sheet {
  if (top === whole.top) return whole
  const kept = top.map((z, i) => {
    const full = whole.top[i]!
    if (z >= full) return z
    const thick = full - whole.bottom[i]!
    return Math.max(z, full - Math.max(0, thick - (leastMm ?? thick)))
  })
  return { top: kept, bottom: whole.bottom }
}
