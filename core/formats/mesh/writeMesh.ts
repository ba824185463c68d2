import type { Mesh } from '../../geometry/mesh'
import { Refusal } from '../../record/refusal'
import type { MeshFormat, Unit } from './meshFile'
import { write3mf, writeObj, writePly } from './writers'
import { writeStl } from './writeStl'

/**
 * A mesh as a file; its numbers go out as they are.
 *
 * @param unit what they count, named where the format has a place for it
 *
 * @throws Refusal when a point cloud is asked to become a format that needs faces
 */
export function writeMesh(
  format: MeshFormat,
  mesh: Mesh,
  name: string,
  unit: Unit = 'mm',
): Uint8Array {
  if (mesh.triangles.length === 0 && format !== 'ply' && format !== 'obj')
    throw new Refusal(
      'no-faces',
      `A point cloud has no faces, ${format.toUpperCase()} needs them. Take PLY or OBJ.`,
      'format',
    )
  if (format === 'stl') return writeStl(mesh, `${name}, ${unit}`)
  if (format === 'obj') return writeObj(mesh)
  return format === 'ply' ? writePly(mesh) : write3mf([{ name, mesh }], unit)
}
