import type { Mesh } from '../../geometry/mesh'
import type { Unit } from '../../geometry/units'
import { Refusal } from '../../record/refusal'
import { MESH_KINDS, type MeshFormat } from './formats/all'

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
  const { needsFaces, write, ...kind } = MESH_KINDS.of(format)
  if (mesh.triangles.length === 0 && needsFaces) {
    const others = MESH_KINDS.all.filter((f) => !f.needsFaces).map((f) => f.name)
    throw new Refusal(
      'no-faces',
      `A point cloud has no faces, ${kind.name} needs them. Take ${others.toReversed().join(' or ')}.`,
      'format',
    )
  }
  return write(mesh, name, unit)
}
