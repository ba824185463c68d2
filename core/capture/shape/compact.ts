import type { Mesh } from '../../geometry/mesh'

/** Only the points that the faces use, in the order in which they use them. */
export function compact({ positions, triangles }: Mesh): Mesh {
  const number = new Int32Array(positions.length / 3).fill(-1)
  const kept = new Float64Array(positions.length)
  let n = 0
  const t = triangles.map((i) => {
    if (number[i]! < 0) {
      for (let k = 0; k < 3; k++) kept[3 * n + k] = positions[3 * i + k]!
      number[i] = n++
    }
    return number[i]!
  })
  return { positions: kept.slice(0, 3 * n), triangles: t }
}

/** The part of a mesh or a cloud whose points pass a test; a face stays when all its corners do. */
export function partOf({ positions, triangles }: Mesh, keep: (point: number) => boolean): Mesh {
  if (triangles.length > 0) {
    const faces = new Uint32Array(triangles.length)
    let n = 0
    for (let i = 0; i < triangles.length; i += 3) {
      const [a, b, c] = [triangles[i]!, triangles[i + 1]!, triangles[i + 2]!]
      if (!keep(a) || !keep(b) || !keep(c)) continue
      faces.set([a, b, c], n)
      n += 3
    }
    return compact({ positions, triangles: faces.subarray(0, n) })
  }
  return { positions: positions.filter((_, i) => keep(Math.floor(i / 3))), triangles }
}
