import { strToU8 } from 'fflate'
import type { Mesh } from '../../geometry/mesh'

/** Binary little-endian PLY of a mesh or a point cloud in mm, coordinates as 64-bit floats. */
export function writePly(mesh: Mesh): Uint8Array {
  const [count, triangles] = [mesh.positions.length / 3, mesh.triangles.length / 3]
  const head = strToU8(
    `ply\nformat binary_little_endian 1.0\ncomment millimetres\nelement vertex ${count}\nproperty double x\nproperty double y\nproperty double z\n${triangles ? `element face ${triangles}\nproperty list uchar uint vertex_indices\n` : ''}end_header\n`,
  )
  const out = new Uint8Array(head.length + 24 * count + 13 * triangles)
  out.set(head)
  const view = new DataView(out.buffer)
  let at = head.length
  for (const v of mesh.positions) {
    view.setFloat64(at, v, true)
    at += 8
  }
  for (let i = 0; i < mesh.triangles.length; i += 3) {
    view.setUint8(at, 3)
    for (let k = 0; k < 3; k++) view.setUint32(at + 1 + 4 * k, mesh.triangles[i + k]!, true)
    at += 13
  }
  return out
}
