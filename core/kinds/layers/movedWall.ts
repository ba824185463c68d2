import { sampleGrid } from '../../geometry/grid'
import type { SoleField } from '../../geometry/soleField'
import { smoothstep as S } from '../../geometry/smoothstep'

/** The wall is moved in full from so high over the cup's floor on, mm. */
const FULL_FROM_MM = 3
/** Behind the first share it is moved in full, in front of the second not at all. */
const RUNS_OUT = [0.2, 0.34] as const
/** The cup's floor lies behind this share. */
const HEEL_SHARE = 0.22
/** Halvings of a place: 3 mm are found within a thousandth. */
const HALVINGS = 12

/** A heel whose wall was moved outward. */
export interface MovedWall {
  /** change of the height at every cell, mm */
  change: Float64Array
  /** where every cell lies between the middle line (0) and the moved border (1) */
  rho: Float64Array
}

const KEPT = new WeakMap<SoleField, Map<number, MovedWall>>()
const MOST_KEPT = 12

/**
 * Moves the wall of the heel outward and level: every place of the wall lies so much further out as asked,
 * from 3 mm over the cup's floor up to the rim, plan included; floor and depth of the cup stay. In front of
 * the heel it runs out.
 *
 * @param mm outward
 */
export function movedWall(field: SoleField, mm: number): MovedWall {
  const known = KEPT.get(field) ?? new Map<number, MovedWall>()
  KEPT.set(field, known)
  const found = known.get(mm)
  if (found) return found
  const moved = moveWall(field, mm)
  if (known.size >= MOST_KEPT) known.delete(known.keys().next().value!)
  known.set(mm, moved)
  return moved
}

/** The same, worked out anew: for a field that is still being made. */
export function moveWall(field: SoleField, mm: number): MovedWall {
  const { sole, columns } = field
  const change = new Float64Array(field.z.length)
  const rho = field.rho.slice()
  const floorMm = floorOf(field)
  const height = (x: number, y: number) => sampleGrid(field, x, y) - floorMm
  for (let row = 0; row < field.rows; row++) {
    const first = row * columns
    const most = mm * (1 - S(field.s[first]!, ...RUNS_OUT))
    if (most === 0) continue
    for (let i = first + field.from[row]!; i < first + field.to[row]!; i++) {
      const [x, y] = [field.x[i]!, field.y[i]!]
      const [nx, ny] = outward(field, x, y)
      // How far the wall has come that now stands here: further in it is lower and has come less.
      const came = (d: number) => most * S(height(x - nx * d, y - ny * d), 0, FULL_FROM_MM)
      let [low, high] = [0, most]
      if (came(high) >= high) low = high
      else if (came(0) > 0)
        for (let k = 0; k < HALVINGS; k++) {
          const middle = (low + high) / 2
          if (came(middle) > middle) low = middle
          else high = middle
        }
      if (low === 0) continue
      change[i] = Math.min(0, height(x - nx * low, y - ny * low) + floorMm - field.z[i]!)
      rho[i] = sole.place(x - nx * low, y - ny * low).rho
    }
  }
  return { change, rho }
}

/** Lowest place of the heel, mm. */
function floorOf(field: SoleField): number {
  let lowest = Infinity
  for (let i = 0; i < field.z.length; i++)
    if (field.mask[i] && field.s[i]! < HEEL_SHARE && field.z[i]! < lowest) lowest = field.z[i]!
  return lowest
}

/** The way out of the heel at a place, of length 1; nowhere on the middle of the heel. */
function outward({ sole }: SoleField, x: number, y: number): [number, number] {
  const { middleX, halfWidth } = sole.place(x, y)
  const back = Math.max(0, sole.heelCentreY - y)
  const [dx, dy] = [(x - middleX) / halfWidth ** 2, -back / sole.heelCentreY ** 2]
  const long = Math.hypot(dx, dy)
  return long > 0 ? [dx / long, dy / long] : [0, 0]
}
