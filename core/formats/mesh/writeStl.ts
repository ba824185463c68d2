import type { Mesh } from '../../geometry/mesh'

/**
 * Binary STL of a mesh in mm: 80-byte header, count, then per face its normal and corners as
 * little-endian 32-bit floats.
 *
 * @param header text for the first 80 bytes, ASCII, cut to fit
 * @returns bytes, the same for the same mesh
 */
export function writeStl(mesh: Mesh, header: string): Uint8Array {
  const { positions: p, triangles: t } = mesh
  const count = t.length / 3
  const bytes = new Uint8Array(84 + 50 * count)
  const view = new DataView(bytes.buffer)
  for (let i = 0; i < Math.min(80, header.length); i++) bytes[i] = header.charCodeAt(i) & 0x7f
  view.setUint32(80, count, true)
  for (let i = 0, at = 84; i < t.length; i += 3, at += 50) {
    const [a, b, c] = [3 * t[i]!, 3 * t[i + 1]!, 3 * t[i + 2]!]
    const ux = p[b]! - p[a]!,
      uy = p[b + 1]! - p[a + 1]!,
      uz = p[b + 2]! - p[a + 2]!
    const vx = p[c]! - p[a]!,
      vy = p[c + 1]! - p[a + 1]!,
      vz = p[c + 2]! - p[a + 2]!
    const nx = uy * vz - uz * vy,
      ny = uz * vx - ux * vz,
      nz = ux * vy - uy * vx
    const size = Math.hypot(nx, ny, nz) || 1
    ;[nx / size, ny / size, nz / size].forEach((v, k) => view.setFloat32(at + 4 * k, v, true))
    ;[a, b, c].forEach((corner, k) => {
      for (let axis = 0; axis < 3; axis++)
        view.setFloat32(at + 12 + 12 * k + 4 * axis, p[corner + axis]!, true)
    })
  }
  return bytes
}
