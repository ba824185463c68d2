import type { Mesh } from '../../geometry/mesh'
import type { Unit } from '../../geometry/units'
import { Refusal } from '../../record/refusal'

/** A mesh as it stands in its file: its own unit and pose; a point cloud has no triangles. */
export interface MeshFile extends Mesh {
  /** kind of the file */
  format: string
  /** the unit that the file itself names; most do not */
  unit: Unit | null
  /** what was cleaned on the way in, in words */
  notes: string[]
}

/** Most triangles and points that are read. */
export const MOST_TRIANGLES = 4_000_000

/** Says that a file cannot be read: what is wrong and where. */
export const broken = (words: string, place: string): Refusal =>
  new Refusal('broken-file', `${words} (${place}).`, place)

/**
 * Checks what every reader hands over: something is there, every number is finite, every corner
 * exists. Triangles that use a corner twice have no area and are left out.
 *
 * @throws Refusal with the place
 */
export function checkMesh(file: MeshFile): MeshFile {
  const { positions, triangles } = file
  const count = positions.length / 3
  if (count === 0) throw broken('There are no points in this file', 'whole file')
  for (let i = 0; i < positions.length; i++)
    if (!Number.isFinite(positions[i]))
      throw broken('A coordinate is not a number', `point ${Math.floor(i / 3) + 1}`)
  const kept = new Uint32Array(triangles.length)
  let n = 0
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!]
    if (a >= count || b >= count || c >= count)
      throw broken(
        `A triangle asks for point ${Math.max(a, b, c) + 1}, there are ${count}`,
        `triangle ${i / 3 + 1}`,
      )
    if (a === b || b === c || a === c) continue
    kept[n++] = a
    kept[n++] = b
    kept[n++] = c
  }
  const dropped = (triangles.length - n) / 3
  if (dropped === 0) return file
  return {
    ...file,
    triangles: kept.slice(0, n),
    notes: [...file.notes, `${dropped} triangles without area left out`],
  }
}
