import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  BLOCK,
  blockOf,
  blockPattern,
  factor,
  solveFactored,
} from '../../../core/mechanics/plate/blockCholesky'
import { solveShellFile } from '../../../core/mechanics/plate/modelFile'
import { planMesh } from '../../../core/mechanics/plate/planMesh'
import { elementStiffness, place } from '../../../core/mechanics/plate/shellElement'
import { readyShell, solveShell } from '../../../core/mechanics/plate/solveShell'
import {
  areaOf,
  modelOf,
  sheet,
  solveOrthosis,
  stripFile,
  type Vec,
} from '../../fixtures/shellMeshes'
import { refusalCode } from '../../fixtures/refusalCode'
import { runs } from '../../effort'

const solve = (model: Parameters<typeof readyShell>[0]) => solveShell(readyShell(model))
const near = (a: number, b: number) => Math.abs(a - b) < 1e-9
const coordinate = fc.double({ min: -20, max: 20, noNaN: true })
const triangle = fc
  .tuple(
    fc.tuple(coordinate, coordinate, coordinate),
    fc.tuple(coordinate, coordinate, coordinate),
    fc.tuple(coordinate, coordinate, coordinate),
  )
  .filter((t) => {
    const longest = Math.max(
      ...[
        [0, 1],
        [1, 2],
        [2, 0],
      ].map(([i, j]) => Math.hypot(...t[i!]!.map((v, d) => v - t[j!]![d]!))),
    )
    return areaOf(t) > 0.1 * longest ** 2 && longest > 1
  })

describe('a shell element', () => {
  it('is symmetric and lets every rigid motion go without force', () => {
    fc.assert(
      fc.property(triangle, (t) => {
        const K = elementStiffness(place(...t), 2, 1300, 0.38, new Float64Array(324))
        const most = K.reduce((m, v) => Math.max(m, Math.abs(v)), 0)
        for (let i = 0; i < 18; i++)
          for (let j = 0; j < i; j++)
            expect(Math.abs(K[18 * i + j]! - K[18 * j + i]!) / most).toBeLessThan(1e-12)
        const motions = [
          ...[0, 1, 2].map((d) => ({ shift: d, axis: -1 })),
          ...[0, 1, 2].map((d) => ({ shift: -1, axis: d })),
        ].map(({ shift, axis }) =>
          t.flatMap(([x, y, z]) => {
            const turn = [0, 1, 2].map((d) => (d === axis ? 1 : 0)) as Vec
            return [
              turn[1] * z - turn[2] * y + (shift === 0 ? 1 : 0),
              turn[2] * x - turn[0] * z + (shift === 1 ? 1 : 0),
              turn[0] * y - turn[1] * x + (shift === 2 ? 1 : 0),
              ...turn,
            ]
          }),
        )
        for (const u of motions) {
          const size = Math.max(...u.map(Math.abs))
          for (let i = 0; i < 18; i++)
            expect(
              Math.abs(u.reduce((s, v, j) => s + K[18 * i + j]! * v, 0)) / (most * size),
            ).toBeLessThan(1e-12)
        }
      }),
      { numRuns: runs(100) },
    )
  })

  // A distorted patch: the middle node is far off the middle, the triangles are of all shapes.
  const patch = (tilt: (p: Vec) => Vec) => ({
    vertices: (
      [
        [0, 0, 0],
        [10, 0, 0],
        [12, 9, 0],
        [-1, 8, 0],
        [3, 2.5, 0],
        [7, 6, 0],
      ] as Vec[]
    ).map(tilt),
    triangles: [
      [0, 1, 4],
      [1, 5, 4],
      [1, 2, 5],
      [2, 3, 5],
      [3, 4, 5],
      [3, 0, 4],
    ] as Vec[],
  })
  const c = Math.cos(0.7)
  const s = Math.sin(0.7)
  const turned = (p: Vec): Vec => [p[0], c * p[1] - s * p[2], s * p[1] + c * p[2]]
  /**
   * Holds the border of a patch at an exact state and looks what the middle does: six unknowns of
   * one place.
   */
  const patchError = (exact: (p: Vec) => number[]) => {
    const flat = patch((p) => p)
    const mesh = patch(turned)
    const turn6 = (u: number[]) => [...turned(u.slice(0, 3) as Vec), ...turned(u.slice(3) as Vec)]
    const wanted = flat.vertices.map((p) => turn6(exact(p)))
    const ready = readyShell(modelOf(mesh, 0.8, 1000, 0.3, []))
    // Border moves are brought in as loads: K·u of the border on the free nodes.
    const free = [4, 5]
    const held = new Uint8Array(36).fill(1)
    free.forEach((v) => held.fill(0, 6 * v, 6 * v + 6))
    const loadN = new Float64Array(36)
    const K = new Float64Array(324)
    for (const t of mesh.triangles) {
      elementStiffness(
        place(...(t.map((v) => mesh.vertices[v]!) as [Vec, Vec, Vec])),
        0.8,
        1000,
        0.3,
        K,
      )
      t.forEach(
        (v, a) =>
          free.includes(v) &&
          t.forEach((w, b) => {
            if (free.includes(w)) return
            for (let i = 0; i < 6; i++)
              for (let j = 0; j < 6; j++)
                loadN[6 * v + i]! -= K[18 * (6 * a + i) + 6 * b + j]! * wanted[w]![j]!
          }),
      )
    }
    const { unknowns } = solveShell({ ...ready, model: { ...ready.model, held, loadN } })
    const size = Math.max(...wanted.flat().map(Math.abs))
    return (
      Math.max(
        ...free.flatMap((v) => wanted[v]!.map((u, d) => Math.abs(u - unknowns[6 * v + d]!))),
      ) / size
    )
  }
  it('carries constant strain and constant curvature exactly through a distorted patch in space', () => {
    const [ex, ey, gxy, w] = [1e-3, -4e-4, 7e-4, 3e-4]
    expect(
      patchError(([x, y]) => [ex * x + gxy * y + w * y, ey * y + gxy * x - w * x, 0, 0, 0, -w]),
    ).toBeLessThan(1e-10)
    const [kx, ky, kxy] = [2e-3, -1e-3, 1.5e-3]
    expect(
      patchError(([x, y]) => [
        0,
        0,
        0.5 * kx * x * x + 0.5 * ky * y * y + kxy * x * y,
        ky * y + kxy * x,
        -(kx * x + kxy * y),
        0,
      ]),
    ).toBeLessThan(1e-10)
  })
})

describe('known shells', () => {
  const D = (E: number, t: number, nu: number) => (E * t ** 3) / 12 / (1 - nu * nu)
  const flat = { when: () => true, fix: [0, 1, 5] }
  it('a simply supported plate and a clamped circle bend as plate theory says', () => {
    const plate = sheet(16, 16, (u, v) => [100 * u, 100 * v, 0])
    const r = solve(
      modelOf(
        plate,
        1,
        1000,
        0.3,
        [{ when: ([x, y]) => [x, y].some((v) => near(v, 0) || near(v, 100)), fix: [2] }, flat],
        [0, 0, -1e-4],
      ),
    )
    expect(
      Math.abs(
        -r.unknowns[6 * plate.node(8, 8) + 2]! /
          ((0.00406235 * 1e-4 * 100 ** 4) / D(1000, 1, 0.3)) -
          1,
      ),
    ).toBeLessThan(0.005)
    const ring = Array.from({ length: 360 }, (_, k): [number, number] => [
      50 * Math.cos((k * Math.PI) / 180),
      50 * Math.sin((k * Math.PI) / 180),
    ])
    const plan = planMesh(
      {
        rings: [ring],
        insideMm: (x, y) => 50 - Math.hypot(x, y),
        keep: [
          [
            [0, 0],
            [0.01, 0],
            [0, 0.01],
          ],
        ],
      },
      5,
    )
    const vertices = plan.points.map(([x, y]): Vec => [x, y, 0])
    const round = solve(
      modelOf(
        { vertices, triangles: plan.triangles },
        1,
        1000,
        0.3,
        [{ when: ([x, y]) => Math.hypot(x, y) > 49.99, fix: [2, 3, 4] }, flat],
        [0, 0, -1e-4],
      ),
    )
    const middle = Math.min(...vertices.map((_, i) => round.unknowns[6 * i + 2]!))
    expect(Math.abs(-middle / ((1e-4 * 50 ** 4) / 64 / D(1000, 1, 0.3)) - 1)).toBeLessThan(0.007)
  })
  it('Scordelis–Lo roof, its reaction is its weight', () => {
    const roof = sheet(16, 16, (u, v) => [
      25 * Math.sin((40 * Math.PI * u) / 180),
      25 * v,
      25 * Math.cos((40 * Math.PI * u) / 180),
    ])
    const model = modelOf(
      roof,
      0.25,
      4.32e8,
      0,
      [
        { when: ([x]) => near(x, 0), fix: [0, 4, 5] },
        { when: ([, y]) => near(y, 0), fix: [1, 3, 5] },
        { when: ([, y]) => near(y, 25), fix: [0, 2] },
      ],
      [0, 0, -90],
    )
    const { unknowns, reactionN } = solve(model)
    expect(Math.abs(-unknowns[6 * roof.node(16, 0) + 2]! / 0.3024 - 1)).toBeLessThan(0.015)
    const weight = model.loadN.reduce((sum, f, i) => (i % 6 === 2 ? sum + f : sum), 0)
    expect(reactionN[2] / -weight).toBeCloseTo(1, 8)
  })
  it('pinched cylinder', () => {
    const tube = sheet(32, 32, (u, v) => [
      300 * Math.sin((Math.PI * u) / 2),
      300 * v,
      300 * Math.cos((Math.PI * u) / 2),
    ])
    const model = modelOf(tube, 3, 3e6, 0.3, [
      { when: ([x]) => near(x, 0), fix: [0, 4, 5] },
      { when: ([, , z]) => near(z, 0), fix: [2, 3, 4] },
      { when: ([, y]) => near(y, 0), fix: [1, 3, 5] },
      { when: ([, y]) => near(y, 300), fix: [0, 2] },
    ])
    model.loadN[6 * tube.node(0, 0) + 2] = -0.25
    expect(Math.abs(-solve(model).unknowns[6 * tube.node(0, 0) + 2]! / 1.8248e-5 - 1)).toBeLessThan(
      0.02,
    )
  })
  it('twisted beam, along and across its end', () => {
    for (const [d, reference] of [
      [1, 0.005424],
      [2, 0.001754],
    ] as const) {
      const beam = sheet(24, 4, (u, v) => [
        12 * u,
        1.1 * (v - 0.5) * Math.sin((Math.PI * u) / 2),
        1.1 * (v - 0.5) * Math.cos((Math.PI * u) / 2),
      ])
      const model = modelOf(beam, 0.32, 29e6, 0.22, [
        { when: ([x]) => near(x, 0), fix: [0, 1, 2, 3, 4, 5] },
      ])
      ;[0.125, 0.25, 0.25, 0.25, 0.125].forEach(
        (f, j) => (model.loadN[6 * beam.node(24, j) + d] = f),
      )
      expect(
        Math.abs(solve(model).unknowns[6 * beam.node(24, 2) + d]! / reference - 1),
      ).toBeLessThan(0.01)
    }
  })
  it('hemisphere with a hole', () => {
    const bowl = sheet(32, 32, (u, v) => {
      const [f, h] = [(Math.PI * u) / 2, (72 * Math.PI * v) / 180]
      return [10 * Math.cos(h) * Math.cos(f), 10 * Math.cos(h) * Math.sin(f), 10 * Math.sin(h)]
    })
    const model = modelOf(bowl, 0.04, 6.825e7, 0.3, [
      { when: ([, y]) => near(y, 0), fix: [1, 3, 5] },
      { when: ([x]) => near(x, 0), fix: [0, 4, 5] },
    ])
    model.held[6 * bowl.node(0, 0) + 2] = 1
    model.loadN[6 * bowl.node(0, 0)] = 1
    model.loadN[6 * bowl.node(32, 0) + 1] = -1
    expect(Math.abs(solve(model).unknowns[6 * bowl.node(0, 0)]! / 0.0935 - 1)).toBeLessThan(0.01)
  })
  it('an orthosis-like shell in three makes is as stiff as solid elements say, on 4 and on 6 mm', () => {
    for (const [t, E, nu, cut, k, peak] of [
      [3, 1300, 0.38, 0, 17.86, 2.137],
      [1.8, 40000, 0.3, 0, 123.3, 0.3038],
      [3, 1300, 0.38, 14, 15.53, 2.334],
    ] as const)
      for (const [step, within] of [
        [4, 0.015],
        [6, 0.03],
      ] as const) {
        const r = solveOrthosis(step, t, E, nu, cut)
        expect(Math.abs(r.k / k - 1), `${t} ${cut} ${step}`).toBeLessThan(within)
        expect(Math.abs(r.peakMm / peak - 1), `${t} ${cut} ${step}`).toBeLessThan(within)
        expect(Math.abs(r.answer.reactionN[0]) + Math.abs(r.answer.reactionN[1])).toBeLessThan(1e-6)
        expect((r.answer.reactionN[2] + r.answer.foundationN) / 32.1699).toBeCloseTo(1, 6)
      }
  })
})

describe('a floor that only pushes', () => {
  it('carries a stiff plate as a straight line of pressure, on the part that touches', () => {
    // 60 × 100, 400 N at 25 mm off the middle: 75 mm touch, 177.78 kPa at the edge (the same closed
    // form as under the foot).
    const plate = sheet(12, 40, (u, v) => [60 * (u - 0.5), 100 * (v - 0.5), 0])
    const model = modelOf(plate, 15, 200_000, 0.3, [])
    const heel = plate.node(6, 20)
    for (const d of [0, 1]) model.held[6 * heel + d] = 1
    model.held[6 * plate.node(6, 0)] = 1
    for (let i = 0; i <= 12; i++)
      model.loadN[6 * plate.node(i, 30) + 2] = -400 * (i === 0 || i === 12 ? 1 / 24 : 1 / 12)
    const answer = solve({
      ...model,
      foundation: { perTriangle: plate.triangles.map(() => 0.02), unilateral: true },
    })
    expect(answer.settled).toBe(true)
    expect(answer.foundationN / 400).toBeCloseTo(1, 6)
    expect(-answer.unknowns[6 * plate.node(6, 40) + 2]! * 20).toBeCloseTo(177.78, -1)
    const lifted = Array.from(
      { length: 41 },
      (_, j) => answer.unknowns[6 * plate.node(6, j) + 2]! > 0,
    )
    expect(lifted.filter(Boolean).length).toBeGreaterThanOrEqual(9)
    expect(lifted.filter(Boolean).length).toBeLessThanOrEqual(11)
  })
})

describe('the block factor', () => {
  it('solves what dense elimination solves, whatever the graph', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 14 }),
        fc.array(fc.tuple(fc.nat(13), fc.nat(13)), { maxLength: 30 }),
        fc.infiniteStream(fc.double({ min: -1, max: 1, noNaN: true })),
        (n, all, random) => {
          const pairs = all.map(([a, b]) => [a % n, b % n]).flat()
          const pattern = blockPattern(n, pairs)
          const N = BLOCK * n
          const dense = Array.from({ length: N }, () => new Float64Array(N))
          const values = new Float64Array(36 * pattern.row.length)
          const put = (a: number, b: number) => {
            for (let i = 0; i < BLOCK; i++)
              for (let j = 0; j < BLOCK; j++) {
                const v =
                  a === b
                    ? i === j
                      ? 40 * n
                      : i > j
                        ? dense[BLOCK * a + j]![BLOCK * a + i]!
                        : random.next().value
                    : random.next().value
                const { at, turned } = blockOf(pattern, a, b)
                values[36 * at + (turned ? BLOCK * j + i : BLOCK * i + j)]! = v
                dense[BLOCK * a + i]![BLOCK * b + j] = dense[BLOCK * b + j]![BLOCK * a + i] = v
              }
          }
          for (let a = 0; a < n; a++) put(a, a)
          for (let k = 0; k < pairs.length; k += 2)
            if (pairs[k] !== pairs[k + 1]) put(pairs[k]!, pairs[k + 1]!)
          const wanted = Float64Array.from({ length: N }, () => random.next().value)
          const load = Float64Array.from(dense, (row) =>
            row.reduce((s, v, j) => s + v * wanted[j]!, 0),
          )
          factor(pattern, values)
          solveFactored(pattern, values, load).forEach((v, i) =>
            expect(v).toBeCloseTo(wanted[i]!, 8),
          )
        },
      ),
      { numRuns: runs(60) },
    )
  })
})

describe('a shell file', () => {
  const file = stripFile([
    { vertex: 1, fz: -1 },
    { vertex: 2, fz: -1 },
  ])
  it('tells deflection, stress and what holds it', () => {
    const answer = solveShellFile(file)
    // A cantilever strip as wide as long bends between beam and plate: F·L³/3EI is 3.85e-2 for E·I
    // of 1300·6.67.
    expect(answer.peakDeflectionMm).toBeGreaterThan(0.5 * ((2 * 1000) / (3 * 1300 * (80 / 12))))
    expect(answer.peakDeflectionMm).toBeLessThan((2 * 1000) / (3 * 1300 * (80 / 12)))
    expect(answer.reactionN[2]).toBeCloseTo(2, 8)
    expect(answer.displacementsMm).toHaveLength(4)
    expect(answer.peakStressMPa).toBeGreaterThan(1)
  })
  it('is refused with the place that does not fit', () => {
    const code = (change: object) => refusalCode(() => solveShellFile({ ...file, ...change }))
    expect(code({ triangles: [[0, 1, 9]] })).toBe('shell-model')
    expect(code({ triangles: [[0, 1, 2]] })).toBe('shell-model')
    expect(
      code({
        triangles: [
          [0, 1, 1],
          [0, 2, 3],
        ],
      }),
    ).toBe('shell-model')
    expect(code({ thicknessMm: [2] })).toBe('shell-model')
    expect(code({ foundation: { perTriangle: [1, 1], gapMm: [0] } })).toBe('shell-model')
    expect(code({ version: 2 })).toBe('invalid')
    expect(code({ fixed: [] })).toBe('shell-loose')
    expect(() => solveShellFile({ ...file, fixed: [] })).toThrow(/node \d is loose in [ur][xyz]/)
  })
})
