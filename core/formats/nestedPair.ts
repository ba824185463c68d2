import type { Mesh } from '../geometry/mesh'

/** Bodies keep so much from each other on a plate, mm. */
const APART_MM = 3
const ROW_MM = 2

/** Outermost place of a body in every row along y, mm. */
function sideOf({ positions }: Mesh, pick: (a: number, b: number) => number): Map<number, number> {
  const rows = new Map<number, number>()
  for (let i = 0; i < positions.length; i += 3) {
    const row = Math.round(positions[i + 1]! / ROW_MM)
    const known = rows.get(row)
    rows.set(row, known === undefined ? positions[i]! : pick(known, positions[i]!))
  }
  return rows
}

const NOWHERE: [number, number] = [Infinity, -Infinity]
/** The least and the most of a coordinate, of bodies one after the other. */
const within =
  (axis: 0 | 1) =>
  ([from, to]: [number, number], { positions }: Mesh): [number, number] => {
    let [low, high] = [from, to]
    for (let i = axis; i < positions.length; i += 3) {
      const v = positions[i]!
      if (v < low) low = v
      if (v > high) high = v
    }
    return [low, high]
  }

const placed = (mesh: Mesh, place: (x: number, y: number) => readonly [number, number]): Mesh => {
  const positions = mesh.positions.slice()
  for (let i = 0; i < positions.length; i += 3) {
    const [x, y] = place(positions[i]!, positions[i + 1]!)
    positions[i] = x
    positions[i + 1] = y
  }
  return { ...mesh, positions }
}

/**
 * A pair laid head to tail on a plate as closely as their outlines let them: the second is turned by half a
 * turn about the upright and pushed against the first.
 *
 * @returns both bodies as they lie, and the width they take together, mm
 */
export function nestedPair(first: Mesh, second: Mesh): { bodies: [Mesh, Mesh]; widthMm: number } {
  const ends = [first, second].reduce<[number, number]>(within(1), NOWHERE)
  const turned = placed(second, (x, y) => [-x, ends[0] + ends[1] - y])
  const right = sideOf(first, Math.max)
  const left = sideOf(turned, Math.min)
  let shift = -Infinity
  for (const [row, x] of right)
    // A row beside may bulge further than the row itself.
    for (const beside of [row - 1, row, row + 1]) {
      const other = left.get(beside)
      if (other !== undefined) shift = Math.max(shift, x + APART_MM - other)
    }
  const moved = placed(turned, (x, y) => [x + shift, y])
  const [low, high] = [first, moved].reduce<[number, number]>(within(0), NOWHERE)
  return { bodies: [first, moved], widthMm: high - low }
}
