import type { Mesh } from '../../geometry/mesh'

/**
 * The same surface with points about one step apart: what falls into one cube becomes its mean,
 * faces that lose a corner go. Dense scans gain speed and lose noise; at a step of 1 mm a sole
 * changes by hundredths.
 */
export function decimated({ positions: p, triangles: t }: Mesh, stepMm: number): Mesh {
  const low = [Infinity, Infinity, Infinity]
  for (let i = 0; i < p.length; i++) if (p[i]! < low[i % 3]!) low[i % 3] = p[i]!
  const cubes = new Map<number, number>()
  const number = new Int32Array(p.length / 3)
  const sums = new Float64Array(p.length)
  const count = new Float64Array(p.length / 3)
  for (let i = 0; i < number.length; i++) {
    const key =
      Math.floor((p[3 * i]! - low[0]!) / stepMm) * 4194304 +
      Math.floor((p[3 * i + 1]! - low[1]!) / stepMm) * 2048 +
      Math.floor((p[3 * i + 2]! - low[2]!) / stepMm)
    let at = cubes.get(key)
    if (at === undefined) cubes.set(key, (at = cubes.size))
    number[i] = at
    count[at]!++
    for (let k = 0; k < 3; k++) sums[3 * at + k]! += p[3 * i + k]!
  }
  const positions = new Float64Array(3 * cubes.size)
  for (let i = 0; i < positions.length; i++) positions[i] = sums[i]! / count[Math.floor(i / 3)]!
  const kept = new Uint32Array(t.length)
  let n = 0
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [number[t[i]!]!, number[t[i + 1]!]!, number[t[i + 2]!]!]
    if (a === b || b === c || a === c) continue
    kept[n++] = a
    kept[n++] = b
    kept[n++] = c
  }
  return { positions, triangles: kept.slice(0, n) }
}
