import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blockPattern } from '../../../core/mechanics/plate/blockCholesky'
import { deflectionAt, foundationSamples } from '../../../core/mechanics/plate/foundation'
import { minimumDegree } from '../../../core/mechanics/plate/minimumDegree'
import { solveShellFile } from '../../../core/mechanics/plate/modelFile'
import { inEllipse, loadShares } from '../../../core/mechanics/plate/planLoad'
import { planMesh, resampleRing } from '../../../core/mechanics/plate/planMesh'
import { place, surfaceStates } from '../../../core/mechanics/plate/shellElement'
import { readyShell, solveShell } from '../../../core/mechanics/plate/solveShell'
import { modelOf, sheet, type Vec } from '../../fixtures/shellMeshes'
import { runs } from '../../effort'

type Ring = [number, number][]
const rectangle = (wide: number, long: number): Ring => [
  [0, 0],
  [wide, 0],
  [wide, long],
  [0, long],
]
const inRectangle = (wide: number, long: number) => (x: number, y: number) =>
  Math.min(x, wide - x, y, long - y)
const areaOfPlan = ({ points, triangles }: ReturnType<typeof planMesh>) =>
  triangles.map(
    ([a, b, c]) =>
      ((points[b]![0] - points[a]![0]) * (points[c]![1] - points[a]![1]) -
        (points[c]![0] - points[a]![0]) * (points[b]![1] - points[a]![1])) /
      2,
  )
const smallestAngle = ({ points, triangles }: ReturnType<typeof planMesh>) =>
  Math.min(
    ...triangles.flatMap((t) =>
      t.map((v, k) => {
        const [p, q, r] = [points[v]!, points[t[(k + 1) % 3]!]!, points[t[(k + 2) % 3]!]!]
        return Math.acos(
          ((q[0] - p[0]) * (r[0] - p[0]) + (q[1] - p[1]) * (r[1] - p[1])) /
            Math.hypot(q[0] - p[0], q[1] - p[1]) /
            Math.hypot(r[0] - p[0], r[1] - p[1]),
        )
      }),
    ),
  )

describe('a plan meshed', () => {
  it('covers it once, with triangles that all run one way and none flat, whatever its size and spacing', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 120 }),
        fc.integer({ min: 60, max: 200 }),
        fc.constantFrom(3, 4, 6, 8),
        (wide, long, step) => {
          const mesh = planMesh(
            { rings: [rectangle(wide, long)], insideMm: inRectangle(wide, long) },
            step,
          )
          const areas = areaOfPlan(mesh)
          expect(Math.min(...areas)).toBeGreaterThan(0)
          expect(areas.reduce((s, a) => s + a, 0) / (wide * long)).toBeCloseTo(1, 2)
          expect(smallestAngle(mesh)).toBeGreaterThan((14 * Math.PI) / 180)
          expect(new Set(mesh.triangles.flat()).size).toBe(mesh.points.length)
        },
      ),
      { numRuns: runs(25) },
    )
  })
  it('leaves a hole out, keeps sharp corners, and takes the largest of two pieces', () => {
    const hole: Ring = Array.from({ length: 60 }, (_, k) => [
      50 + 12 * Math.cos((k * Math.PI) / 30),
      50 + 12 * Math.sin((k * Math.PI) / 30),
    ])
    const holed = planMesh(
      {
        rings: [rectangle(100, 100), hole],
        insideMm: (x, y) => Math.min(inRectangle(100, 100)(x, y), Math.hypot(x - 50, y - 50) - 12),
      },
      4,
    )
    expect(areaOfPlan(holed).reduce((s, a) => s + a, 0) / (10_000 - Math.PI * 144)).toBeCloseTo(
      1,
      2,
    )
    expect(
      resampleRing(rectangle(30, 30), 7).filter(
        ([x, y]) => (x === 0 || x === 30) && (y === 0 || y === 30),
      ),
    ).toHaveLength(4)
    const two = (x: number, y: number) =>
      Math.max(inRectangle(30, 100)(x, y), inRectangle(60, 100)(x - 35, y))
    const largest = planMesh(
      {
        rings: [
          rectangle(30, 100),
          rectangle(60, 100).map(([x, y]): [number, number] => [x + 35, y]),
        ],
        insideMm: two,
      },
      5,
    )
    expect(Math.min(...largest.points.map((p) => p[0]))).toBeGreaterThanOrEqual(35)
  })
  it('shares a load of one by area, its middle where the ellipse is', () => {
    const mesh = planMesh({ rings: [rectangle(100, 100)], insideMm: inRectangle(100, 100) }, 4)
    const ellipse = { x: 45, y: 60, rx: 16, ry: 30 }
    const shares = loadShares(mesh, (x, y) => inEllipse(ellipse, x, y))!
    const about = (d: 0 | 1) => shares.reduce((s, v, i) => s + v * mesh.points[i]![d], 0)
    expect(shares.reduce((s, v) => s + v, 0)).toBeCloseTo(1, 12)
    expect([about(0), about(1)]).toEqual([expect.closeTo(45, 0), expect.closeTo(60, 0)])
    expect(loadShares(mesh, () => false)).toBeNull()
  })
})

describe('the order of elimination', () => {
  const fill = (n: number, edges: [number, number][], order: Int32Array) => {
    const near = Array.from({ length: n }, () => new Set<number>())
    edges.forEach(([a, b]) => (near[a]!.add(b), near[b]!.add(a)))
    let count = 0
    for (const v of order) {
      const left = [...near[v]!]
      left.forEach((a) => near[a]!.delete(v))
      for (const a of left)
        for (const b of left)
          if (a < b && !near[a]!.has(b)) {
            near[a]!.add(b)
            near[b]!.add(a)
            count++
          }
    }
    return count
  }
  const lattice = (n: number): [number, number][] =>
    Array.from({ length: n * n }, (_, i) => i).flatMap((i): [number, number][] => [
      ...(i % n < n - 1 ? [[i, i + 1] as [number, number]] : []),
      ...(i < n * (n - 1) ? [[i, i + n] as [number, number]] : []),
    ])
  it('names every node once, fills a tree with nothing and a lattice with less than rows would', () => {
    const edges = lattice(12)
    const near = Array.from({ length: 144 }, (_, i) =>
      edges.flatMap(([a, b]) => (a === i ? [b] : b === i ? [a] : [])),
    )
    const order = minimumDegree(near)
    expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: 144 }, (_, i) => i))
    expect(fill(144, edges, order)).toBeLessThan(
      0.6 *
        fill(
          144,
          edges,
          Int32Array.from({ length: 144 }, (_, i) => i),
        ),
    )
    fc.assert(
      fc.property(fc.array(fc.nat(1000), { minLength: 3, maxLength: 40 }), (parents) => {
        const tree = parents.map((p, i): [number, number] => [i + 1, p % (i + 1)])
        const n = parents.length + 1
        expect(
          fill(
            n,
            tree,
            minimumDegree(
              Array.from({ length: n }, (_, i) =>
                tree.flatMap(([a, b]) => (a === i ? [b] : b === i ? [a] : [])),
              ),
            ),
          ),
        ).toBe(0)
      }),
      { numRuns: runs(40) },
    )
  })
  it('foresees every block of the factor: as many as elimination by hand fills', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 16 }),
        fc.array(fc.tuple(fc.nat(15), fc.nat(15)), { maxLength: 40 }),
        (n, all) => {
          const edges = [
            ...new Map(
              all
                .map(([a, b]) => [a % n, b % n].sort((p, q) => p - q) as [number, number])
                .filter(([a, b]) => a !== b)
                .map((e) => [e.join(), e]),
            ).values(),
          ]
          const pattern = blockPattern(n, edges.flat())
          expect(pattern.row.length).toBe(n + edges.length + fill(n, edges, pattern.order))
        },
      ),
      { numRuns: runs(60) },
    )
  })
})

describe('stress and foundation', () => {
  it('a strip held at one end bends as a beam: σ = 6·M/(b·t²) at its root, ε = σ/E', () => {
    const strip = sheet(40, 4, (u, v) => [100 * u, 10 * v, 0])
    const model = modelOf(strip, 2, 1000, 0, [{ when: ([x]) => x === 0, fix: [0, 1, 2, 3, 4, 5] }])
    ;[0.125, 0.25, 0.25, 0.25, 0.125].forEach(
      (f, j) => (model.loadN[6 * strip.node(40, j) + 2] = -f),
    )
    const { unknowns } = solveShell(readyShell(model))
    const half = strip.triangles.filter((t) =>
      t.every((v) => strip.vertices[v]![0] >= 49.9 && strip.vertices[v]![0] <= 52.6),
    )
    const states = half.flatMap((t) =>
      surfaceStates(
        place(...(t.map((v) => strip.vertices[v]!) as [Vec, Vec, Vec])),
        2,
        1000,
        0,
        t.flatMap((v) => [...unknowns.subarray(6 * v, 6 * v + 6)]),
      ),
    )
    const beam = (6 * 48.75) / (10 * 4)
    const mean = states.reduce((s, q) => s + q.stressMPa, 0) / states.length
    expect(mean / beam).toBeCloseTo(1, 1)
    expect(Math.max(...states.map((q) => Math.abs(q.principal))) * 1000).toBeLessThan(
      1.12 * ((6 * 50) / 40),
    )
  })
  it('springs carry a plate that sinks as a whole: k times area times depth, at the middles of edges too', () => {
    const plate = sheet(6, 6, (u, v) => [60 * u, 40 * v, 0])
    const model = {
      ...modelOf(plate, 1, 1000, 0.3, []),
      foundation: { perTriangle: plate.triangles.map(() => 0.5), unilateral: false },
    }
    const samples = foundationSamples(model)
    expect(samples.reduce((s, p) => s + p.k, 0)).toBeCloseTo(0.5 * 2400, 9)
    const sunk = new Float64Array(6 * plate.vertices.length)
    plate.vertices.forEach(
      (v, i) => ((sunk[6 * i + 2] = -0.3 + 0.01 * v[0]), (sunk[6 * i + 4] = -0.01)),
    )
    // A plane stays a plane: the cubic between two corners adds nothing.
    for (const s of samples)
      expect(deflectionAt(s, sunk)).toBeCloseTo(
        -0.3 + (0.01 * (plate.vertices[s.a]![0] + plate.vertices[s.b]![0])) / 2,
        12,
      )
  })
  it('a file with a gap carries nothing until it is closed, and then the rest', () => {
    const plate = sheet(4, 4, (u, v) => [40 * u, 40 * v, 0])
    const fixed = plate.vertices.flatMap((_, vertex) => [{ vertex, dof: ['ux', 'uy', 'rz'] }])
    const file = (gap: number, unilateral = true) => ({
      format: 'gentle-arch/shell',
      version: 1,
      verticesMm: plate.vertices,
      triangles: plate.triangles,
      thicknessMm: plate.triangles.map(() => 20),
      youngMPa: 200_000,
      poisson: 0.3,
      fixed,
      loadsN: plate.vertices.map((_, vertex) => ({ vertex, fz: -8 })),
      foundation: {
        perTriangle: plate.triangles.map(() => 0.01),
        gapMm: plate.vertices.map(() => gap),
        unilateral,
      },
    })
    const depth = (25 * 8) / (0.01 * 1600)
    expect(solveShellFile(file(0)).peakDeflectionMm / depth).toBeCloseTo(1, 1)
    expect(
      solveShellFile(file(2)).peakDeflectionMm - solveShellFile(file(0)).peakDeflectionMm,
    ).toBeCloseTo(2, 2)
    expect(solveShellFile(file(2)).foundationN).toBeCloseTo(200, 3)
    // Both ways: the gap does not count.
    expect(solveShellFile(file(2, false)).peakDeflectionMm).toBeCloseTo(
      solveShellFile(file(0)).peakDeflectionMm,
      4,
    )
  })
})
