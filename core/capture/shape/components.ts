import type { Mesh } from '../../geometry/mesh'

/** A piece of a scan that hangs together. */
export interface Component {
  label: number
  areaMm2: number
  /** sides of the box along the coordinate axes, mm */
  sizeMm: [number, number, number]
  low: [number, number, number]
  high: [number, number, number]
  /** longest extent along the piece's own axes, mm */
  longestMm: number
  /** standard deviations along its own axes, mm, largest first */
  spreadMm: [number, number, number]
}

/**
 * Mean edge length of a mesh, or the mean distance to the nearest neighbour in a sample of a cloud,
 * mm.
 */
export function spacingOf({ positions: p, triangles: t }: Mesh): number {
  if (t.length > 0) {
    let sum = 0
    let n = 0
    const step = 3 * Math.max(1, Math.floor(t.length / 3 / 20000))
    for (let i = 0; i < t.length; i += step) {
      const [a, b] = [3 * t[i]!, 3 * t[i + 1]!]
      sum += Math.hypot(p[a]! - p[b]!, p[a + 1]! - p[b + 1]!, p[a + 2]! - p[b + 2]!)
      n++
    }
    return sum / n
  }
  // A cloud of N points over an area A has points about √(A/N) apart; the area is that of the
  // occupied 4 mm cubes' shell.
  const cubes = new Set<number>()
  for (let i = 0; i < p.length; i += 3) cubes.add(cubeKey(p[i]!, p[i + 1]!, p[i + 2]!, 6))
  return Math.min(6, Math.max(0.2, Math.sqrt((cubes.size * 36) / (1.35 * (p.length / 3)))))
}

const cubeKey = (x: number, y: number, z: number, size: number) =>
  (Math.floor(x / size) + 4096) * 67108864 +
  (Math.floor(y / size) + 4096) * 8192 +
  (Math.floor(z / size) + 4096)

class Sets {
  private parent: Int32Array
  constructor(count: number) {
    this.parent = Int32Array.from({ length: count }, (_, i) => i)
  }
  find(i: number): number {
    const p = this.parent
    while (p[i] !== i) {
      p[i] = p[p[i]!]!
      i = p[i]!
    }
    return i
  }
  join(a: number, b: number) {
    const [x, y] = [this.find(a), this.find(b)]
    if (x !== y) this.parent[Math.max(x, y)] = Math.min(x, y)
  }
}

function joinCloud(p: Float64Array, sets: Sets, reach: number) {
  const first = new Map<number, number>()
  for (let i = 0; i < p.length; i += 3) {
    const key = cubeKey(p[i]!, p[i + 1]!, p[i + 2]!, reach)
    const known = first.get(key)
    if (known === undefined) first.set(key, i / 3)
    else sets.join(known, i / 3)
  }
  const near: number[] = []
  for (let dx = -1; dx <= 1; dx++)
    for (let dy = -1; dy <= 1; dy++)
      for (let dz = -1; dz <= 1; dz++) near.push(dx * 67108864 + dy * 8192 + dz)
  for (const [key, i] of first)
    for (const d of near) {
      const j = first.get(key + d)
      if (j !== undefined) sets.join(i, j)
    }
}

/**
 * The pieces of a mesh (by shared corners) or of a cloud (by cubes that touch), largest first, and
 * the piece of every point.
 */
export function componentsOf(
  mesh: Mesh,
  spacingMm: number,
): { labels: Int32Array; components: Component[] } {
  const { positions: p, triangles: t } = mesh
  const sets = new Sets(p.length / 3)
  for (let i = 0; i < t.length; i += 3) {
    sets.join(t[i]!, t[i + 1]!)
    sets.join(t[i]!, t[i + 2]!)
  }
  if (t.length === 0) joinCloud(p, sets, Math.max(1, 1.8 * spacingMm))
  const labels = new Int32Array(p.length / 3)
  const area = new Map<number, number>()
  for (let i = 0; i < labels.length; i++) labels[i] = sets.find(i)
  if (t.length > 0)
    for (let i = 0; i < t.length; i += 3) {
      const l = labels[t[i]!]!
      area.set(l, (area.get(l) ?? 0) + triangleArea(p, t[i]!, t[i + 1]!, t[i + 2]!))
    }
  else for (const l of labels) area.set(l, (area.get(l) ?? 0) + spacingMm ** 2)
  const measured = measure(p, labels, area)
  return { labels, components: measured.sort((a, b) => b.areaMm2 - a.areaMm2 || a.label - b.label) }
}

function triangleArea(p: Float64Array, i: number, j: number, k: number): number {
  const [a, b, c] = [3 * i, 3 * j, 3 * k]
  const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
  const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
  return 0.5 * Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx)
}

interface Sums {
  n: number
  s: number[]
  q: number[]
  low: [number, number, number]
  high: [number, number, number]
}

function measure(p: Float64Array, labels: Int32Array, area: Map<number, number>): Component[] {
  const sums = new Map<number, Sums>()
  for (let i = 0; i < labels.length; i++) {
    const l = labels[i]!
    if (!area.has(l)) continue
    let s = sums.get(l)
    if (!s)
      sums.set(
        l,
        (s = {
          n: 0,
          s: [0, 0, 0],
          q: [0, 0, 0, 0, 0, 0],
          low: [Infinity, Infinity, Infinity],
          high: [-Infinity, -Infinity, -Infinity],
        }),
      )
    const [x, y, z] = [p[3 * i]!, p[3 * i + 1]!, p[3 * i + 2]!]
    s.n++
    for (const [k, v] of [x, y, z].entries()) {
      s.s[k]! += v
      if (v < s.low[k]!) s.low[k] = v
      if (v > s.high[k]!) s.high[k] = v
    }
    for (const [k, v] of [x * x, y * y, z * z, x * y, x * z, y * z].entries()) s.q[k]! += v
  }
  return [...sums].map(([label, s]): Component => {
    const m = s.s.map((v) => v / s.n)
    const c = (k: number, i: number, j: number) => s.q[k]! / s.n - m[i]! * m[j]!
    const spread = eigenvalues([
      c(0, 0, 0),
      c(1, 1, 1),
      c(2, 2, 2),
      c(3, 0, 1),
      c(4, 0, 2),
      c(5, 1, 2),
    ]).map((v) => Math.sqrt(Math.max(0, v))) as [number, number, number]
    const size = s.high.map((v, k) => v - s.low[k]!) as [number, number, number]
    // A body of even spread is about √12 standard deviations long.
    return {
      label,
      areaMm2: area.get(label)!,
      sizeMm: size,
      low: s.low,
      high: s.high,
      longestMm: Math.min(Math.hypot(...size), 3.7 * spread[0]),
      spreadMm: spread,
    }
  })
}

/**
 * Eigenvalues of a symmetric 3 × 3 matrix given as xx yy zz xy xz yz, largest first (trigonometric
 * form, Smith 1961).
 */
export function eigenvalues([a, b, c, d, e, f]: [number, number, number, number, number, number]): [
  number,
  number,
  number,
] {
  const q = (a + b + c) / 3
  const off = d * d + e * e + f * f
  const p = Math.sqrt(((a - q) ** 2 + (b - q) ** 2 + (c - q) ** 2 + 2 * off) / 6)
  if (p < 1e-12) return [q, q, q]
  const [x, y, z] = [(a - q) / p, (b - q) / p, (c - q) / p]
  const [u, v, w] = [d / p, e / p, f / p]
  const half = (x * (y * z - w * w) - u * (u * z - w * v) + v * (u * w - y * v)) / 2
  const angle = Math.acos(Math.min(1, Math.max(-1, half))) / 3
  const first = q + 2 * p * Math.cos(angle)
  const last = q + 2 * p * Math.cos(angle + (2 * Math.PI) / 3)
  return [first, 3 * q - first - last, last]
}

/** Box of one piece: whether another lies in it, and how far away one is, mm. */
export function boxOf(
  mesh: Mesh,
  labels: Int32Array,
  label: number,
): { holds: (c: Component, marginMm: number) => boolean; gap: (c: Component) => number } {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < labels.length; i++)
    if (labels[i] === label)
      for (let k = 0; k < 3; k++) {
        low[k] = Math.min(low[k]!, mesh.positions[3 * i + k]!)
        high[k] = Math.max(high[k]!, mesh.positions[3 * i + k]!)
      }
  return {
    holds: (c, margin) =>
      c.low.every((v, k) => v >= low[k]! - margin) &&
      c.high.every((v, k) => v <= high[k]! + margin),
    gap: (c) =>
      Math.hypot(...[0, 1, 2].map((k) => Math.max(0, c.low[k]! - high[k]!, low[k]! - c.high[k]!))),
  }
}
