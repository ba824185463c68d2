import { Delaunay } from 'd3-delaunay'

type Point = readonly [number, number]

/**
 * A plan to be meshed: its border first, then its holes, as closed rings; and how far inside a
 * point lies (+), mm.
 */
export interface Plan {
  rings: readonly (readonly Point[])[]
  insideMm: (x: number, y: number) => number
  /** lines the mesh should keep points on, closed: where a load or a support ends */
  keep?: readonly (readonly Point[])[]
}

export interface PlanMesh {
  points: [number, number][]
  triangles: [number, number, number][]
}

/** Inner points keep this share of the spacing from borders and kept lines. */
const CLEAR = 0.6
/** Corners sharper than this stay where they are, radians. */
const SHARP = 0.6
/**
 * A triangle on the border with an angle under this is dropped or left to its neighbour, radians.
 */
const SLIVER = (15 * Math.PI) / 180

const length = (a: Point, b: Point) => Math.hypot(b[0] - a[0], b[1] - a[1])

/** Points along a closed ring, about one spacing apart; sharp corners are kept. */
export function resampleRing(ring: readonly Point[], stepMm: number): [number, number][] {
  const open = ring.filter((p, i) => length(p, ring[(i + 1) % ring.length]!) > 1e-9)
  if (open.length < 3) return []
  const turn = (i: number) => {
    const [a, b, c] = [
      open[(i + open.length - 1) % open.length]!,
      open[i]!,
      open[(i + 1) % open.length]!,
    ]
    const d = Math.atan2(c[1] - b[1], c[0] - b[0]) - Math.atan2(b[1] - a[1], b[0] - a[0])
    return Math.abs(Math.atan2(Math.sin(d), Math.cos(d)))
  }
  const sharp = open.map((_, i) => i).filter((i) => turn(i) > SHARP)
  const stops = sharp.length ? sharp : [0]
  const out: [number, number][] = []
  stops.forEach((from, k) => {
    const to = stops[(k + 1) % stops.length]!
    const chain: Point[] = []
    for (let i = from; ; i = (i + 1) % open.length) {
      chain.push(open[i]!)
      if (i === to && chain.length > 1) break
    }
    const whole = chain.slice(1).reduce((s, p, i) => s + length(chain[i]!, p), 0)
    const parts = Math.max(1, Math.round(whole / stepMm))
    let [i, walked] = [0, 0]
    for (let part = 0; part < parts; part++) {
      const want = (whole * part) / parts
      while (walked + length(chain[i]!, chain[i + 1]!) < want - 1e-9)
        walked += length(chain[i]!, chain[++i]!)
      const f = (want - walked) / length(chain[i]!, chain[i + 1]!)
      out.push([
        chain[i]![0] + f * (chain[i + 1]![0] - chain[i]![0]),
        chain[i]![1] + f * (chain[i + 1]![1] - chain[i]![1]),
      ])
    }
  })
  return out
}

/**
 * Triangles over a plan: points along its rings, a lattice of equilateral triangles inside, joined
 * by Delaunay.
 *
 * @param stepMm about how long an edge is
 * @returns the largest connected piece; corners run anticlockwise
 */
export function planMesh({ rings, insideMm, keep = [] }: Plan, stepMm: number): PlanMesh {
  const border = rings.flatMap((r) => resampleRing(r, stepMm))
  const lines = keep
    .flatMap((r) => resampleRing(r, stepMm))
    .filter(([x, y]) => insideMm(x, y) > CLEAR * stepMm)
  const points = [...border, ...lines]
  const xs = border.map((p) => p[0])
  const ys = border.map((p) => p[1])
  const rise = (stepMm * Math.sqrt(3)) / 2
  const near = new Map<string, [number, number][]>()
  const cell = (x: number, y: number) => `${Math.floor(x / stepMm)} ${Math.floor(y / stepMm)}`
  for (const p of points) near.set(cell(...p), [...(near.get(cell(...p)) ?? []), p])
  const clear = (x: number, y: number) => {
    for (let i = -1; i <= 1; i++)
      for (let j = -1; j <= 1; j++)
        for (const p of near.get(cell(x + i * stepMm, y + j * stepMm)) ?? [])
          if (length(p, [x, y]) < CLEAR * stepMm) return false
    return true
  }
  const [left, right, low, high] = [
    Math.min(...xs),
    Math.max(...xs),
    Math.min(...ys),
    Math.max(...ys),
  ]
  for (let row = 0, y = low + rise / 2; y < high; row++, y += rise)
    for (let x = left + (row % 2 ? stepMm / 2 : 0); x < right; x += stepMm)
      if (insideMm(x, y) > 0.4 * stepMm && clear(x, y)) points.push([x, y])
  const delaunay = Delaunay.from(points)
  const all: [number, number, number][] = []
  const least = 1e-3 * stepMm * stepMm
  for (let k = 0; k < delaunay.triangles.length; k += 3) {
    const [a, b, c] = [
      delaunay.triangles[k]!,
      delaunay.triangles[k + 1]!,
      delaunay.triangles[k + 2]!,
    ]
    const [p, q, r] = [points[a]!, points[b]!, points[c]!]
    const twice = (q[0] - p[0]) * (r[1] - p[1]) - (r[0] - p[0]) * (q[1] - p[1])
    if (
      Math.abs(twice) < least ||
      insideMm((p[0] + q[0] + r[0]) / 3, (p[1] + q[1] + r[1]) / 3) <= 0
    )
      continue
    all.push(twice > 0 ? [a, b, c] : [a, c, b])
  }
  return compact(points, largestPiece(withoutSlivers(points, all), points.length))
}

const edgeKey = (a: number, b: number) => (a < b ? `${a} ${b}` : `${b} ${a}`)

/**
 * Leaves out flat triangles whose longest side lies on the border: what is cut away is thinner than
 * the mesh can tell.
 */
function withoutSlivers(
  points: readonly Point[],
  triangles: readonly [number, number, number][],
): [number, number, number][] {
  const used = new Map<string, number>()
  for (const t of triangles)
    for (let s = 0; s < 3; s++)
      used.set(
        edgeKey(t[s]!, t[(s + 1) % 3]!),
        (used.get(edgeKey(t[s]!, t[(s + 1) % 3]!)) ?? 0) + 1,
      )
  return triangles.filter((t) => {
    const sides = [0, 1, 2]
      .map((s) => ({
        key: edgeKey(t[s]!, t[(s + 1) % 3]!),
        l: length(points[t[s]!]!, points[t[(s + 1) % 3]!]!),
      }))
      .sort((a, b) => b.l - a.l)
    const [a, b, c] = sides.map((s) => s.l) as [number, number, number]
    const smallest = Math.acos(Math.min(1, (a * a + b * b - c * c) / (2 * a * b)))
    return smallest > SLIVER || used.get(sides[0]!.key)! > 1
  })
}

/** The piece with the most triangles, joined by edges. */
function largestPiece(
  triangles: readonly [number, number, number][],
  nodes: number,
): [number, number, number][] {
  const parent = Int32Array.from({ length: nodes }, (_, i) => i)
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]!]!
    return i
  }
  for (const [a, b, c] of triangles) {
    parent[root(a)] = root(b)
    parent[root(b)] = root(c)
  }
  const size = new Map<number, number>()
  for (const [a] of triangles) size.set(root(a), (size.get(root(a)) ?? 0) + 1)
  const most = [...size].sort((p, q) => q[1] - p[1])[0]?.[0]
  return triangles.filter(([a]) => root(a) === most)
}

function compact(
  points: readonly [number, number][],
  triangles: readonly [number, number, number][],
): PlanMesh {
  const number = new Int32Array(points.length).fill(-1)
  const kept: [number, number][] = []
  const renumbered = triangles.map(
    (t) =>
      t.map((v) => {
        if (number[v]! < 0) number[v] = kept.push(points[v]!) - 1
        return number[v]!
      }) as [number, number, number],
  )
  return { points: kept, triangles: renumbered }
}
