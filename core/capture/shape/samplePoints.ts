import type { Mesh } from '../../geometry/mesh'

/** Points spread evenly over a surface. */
export interface SurfacePoints {
  xyz: Float64Array
  areaMm2: number
}

/**
 * Points about one step apart all over a mesh or a cloud: every triangle is cut into pieces no
 * longer than the step, and what falls into one cube of that step becomes its weighted mean.
 * Neither the order of the triangles nor their size matters.
 *
 * @param stepMm distance wanted, mm
 */
export function samplePoints(mesh: Mesh, stepMm: number): SurfacePoints {
  const { positions: p, triangles: t } = mesh
  const low = [Infinity, Infinity, Infinity]
  for (let i = 0; i < p.length; i++) if (p[i]! < low[i % 3]!) low[i % 3] = p[i]!
  const cubes = new Map<number, number>()
  let sums = new Float64Array(4096)
  let used = 0
  const add = (x: number, y: number, z: number, w: number) => {
    const key =
      Math.floor((x - low[0]!) / stepMm) * 4194304 +
      Math.floor((y - low[1]!) / stepMm) * 2048 +
      Math.floor((z - low[2]!) / stepMm)
    let at = cubes.get(key)
    if (at === undefined) {
      if (4 * used + 4 > sums.length) {
        const more = new Float64Array(2 * sums.length)
        more.set(sums)
        sums = more
      }
      at = 4 * used++
      cubes.set(key, at)
    }
    sums[at]! += w * x
    sums[at + 1]! += w * y
    sums[at + 2]! += w * z
    sums[at + 3]! += w
  }
  let area = 0
  for (let i = 0; i < t.length; i += 3)
    area += cutTriangle(p, t[i]!, t[i + 1]!, t[i + 2]!, stepMm, add)
  if (t.length === 0) for (let i = 0; i < p.length; i += 3) add(p[i]!, p[i + 1]!, p[i + 2]!, 1)
  const xyz = new Float64Array(3 * used)
  for (let i = 0; i < used; i++)
    for (let k = 0; k < 3; k++) xyz[3 * i + k] = sums[4 * i + k]! / sums[4 * i + 3]!
  return { xyz, areaMm2: t.length > 0 ? area : used * stepMm * stepMm * 0.74 }
}

/** Every nth of a list of points. */
export function everyNth(p: Float64Array, n: number): Float64Array {
  if (n <= 1) return p
  const out: number[] = []
  for (let i = 0; i < p.length; i += 3 * n) out.push(p[i]!, p[i + 1]!, p[i + 2]!)
  return Float64Array.from(out)
}

/**
 * A triangle is cut into at most this many pieces along a side: longer ones are tables or damage,
 * and need no finer points.
 */
const MOST_CUTS = 40

/** Most points that are kept as they fall; with more, those of one cube become their mean. */
const MOST_LOOSE = 160_000

/**
 * Points all over a scan that do not depend on how it lies: the middles of its triangles, long ones
 * cut, or the points of a cloud. Dense scans are averaged by cubes, whose place no longer matters
 * then.
 */
export function loosePoints(mesh: Mesh, stepMm: number): Float64Array {
  if (mesh.triangles.length === 0)
    return mesh.positions.length / 3 > MOST_LOOSE ? samplePoints(mesh, stepMm).xyz : mesh.positions
  if (mesh.triangles.length / 3 > MOST_LOOSE) return samplePoints(mesh, stepMm).xyz
  const out: number[] = []
  for (let i = 0; i < mesh.triangles.length; i += 3)
    cutTriangle(
      mesh.positions,
      mesh.triangles[i]!,
      mesh.triangles[i + 1]!,
      mesh.triangles[i + 2]!,
      1.5 * stepMm,
      (x, y, z) => out.push(x, y, z),
    )
  return out.length / 3 > 2 * MOST_LOOSE ? samplePoints(mesh, stepMm).xyz : Float64Array.from(out)
}

function cutTriangle(
  p: Float64Array,
  i: number,
  j: number,
  k: number,
  step: number,
  add: (x: number, y: number, z: number, w: number) => void,
): number {
  const [a, b, c] = [3 * i, 3 * j, 3 * k]
  const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
  const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
  const area = 0.5 * Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx)
  if (!(area > 0)) return 0
  const longest = Math.max(
    ux * ux + uy * uy + uz * uz,
    vx * vx + vy * vy + vz * vz,
    (ux - vx) ** 2 + (uy - vy) ** 2 + (uz - vz) ** 2,
  )
  const n = Math.min(MOST_CUTS, Math.ceil(Math.sqrt(longest) / step))
  const w = area / (n * n)
  for (let r = 0; r < n; r++)
    for (let s = 0; r + s < n; s++) {
      const [f, g] = [(r + 1 / 3) / n, (s + 1 / 3) / n]
      add(p[a]! + f * ux + g * vx, p[a + 1]! + f * uy + g * vy, p[a + 2]! + f * uz + g * vz, w)
      if (r + s < n - 1) {
        const [f2, g2] = [(r + 2 / 3) / n, (s + 2 / 3) / n]
        add(
          p[a]! + f2 * ux + g2 * vx,
          p[a + 1]! + f2 * uy + g2 * vy,
          p[a + 2]! + f2 * uz + g2 * vz,
          w,
        )
      }
    }
  return area
}
