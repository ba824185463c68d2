import { migratePart } from '../../../core/record/migrate/migrate'
import { BY_HOUSE } from '../../fixtures/houseContext'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { againstHand, keptAgainstHand, postureOf } from '../../../core/capture/againstHand'
import { CHECK_TABLE } from '../../../core/tables/captureChecks'
import { soleDifference } from '../../../core/capture/difference'
import { edgeOf } from '../../../core/capture/foot/edges'
import { girthIn } from '../../../core/capture/foot/girth'
import { legAxis } from '../../../core/capture/foot/leg'
import { ringAround } from '../../../core/capture/foot/ring'
import { silhouetteBehind } from '../../../core/capture/foot/silhouette'
import { emptyGrid, planeOf, rasterLow, smoothed } from '../../../core/capture/foot/soleGrid'
import { verdictOf } from '../../../core/capture/quality/captureChecks'
import { compact, partOf } from '../../../core/capture/shape/compact'
import { decimated } from '../../../core/capture/shape/decimate'
import { samplePoints } from '../../../core/capture/shape/samplePoints'
import { usualFault } from '../../../core/capture/standin/faults'
import { seeded } from '../../../core/capture/standin/random'
import { firstRayRestMm, heldNeutral } from '../../../core/examine/heldAs'
import {
  across,
  cross,
  dot,
  intoFrame,
  matrixOf,
  outOfFrame,
  turned,
  type Frame,
  type Vec3,
} from '../../../core/geometry/frame'
import { movingMean, rowEnds } from '../../../core/geometry/grid'
import { leastSquares } from '../../../core/geometry/leastSquares'
import type { Mesh } from '../../../core/geometry/mesh'
import { HOUSE_NORMS, normsSchema } from '../../../core/record/tables'
import { bestMean } from '../../../core/measure/reading'
import { applyCommand, type Command } from '../../../core/record/commands'
import type { Foot } from '../../../core/record/schema'

const { next, normal } = seeded(11)
const number = fc.double({ min: -50, max: 50, noNaN: true })

describe('least squares', () => {
  it('finds the terms that made the values', () =>
    fc.assert(
      fc.property(number, number, number, (a, b, c) => {
        const rows = Array.from(
          { length: 9 },
          (_, i) => [[1, i, i * i], a + b * i + c * i * i] as const,
        )
        leastSquares(rows)!.forEach((v, k) => expect(v).toBeCloseTo([a, b, c][k]!, 4))
      }),
    ))
  it('puts a line through three points that are not on one as the textbook does', () => {
    // Points (0, 0), (1, 1), (2, 1): slope 1/2, offset 1/6.
    const [offset, slope] = leastSquares([
      [[1, 0], 0],
      [[1, 1], 1],
      [[1, 2], 1],
    ])!
    expect(offset).toBeCloseTo(1 / 6, 6)
    expect(slope).toBeCloseTo(1 / 2, 6)
  })
})

describe('frames', () => {
  const frames = fc
    .tuple(number, number, number, number, number, number)
    .map(([yaw, pitch, roll, x, y, z]): Frame =>
      turned(
        { origin: [1, 2, 3], x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] },
        { yaw, pitch, roll, origin: [x, y, z] },
      ),
    )
  const points = fc.tuple(number, number, number).map((p): Vec3 => p)
  it('bring a point in and out again, keep right angles, and agree with their matrix', () =>
    fc.assert(
      fc.property(frames, points, (frame, p) => {
        const inside = intoFrame(frame, p)
        outOfFrame(frame, inside).forEach((v, k) => expect(v).toBeCloseTo(p[k]!, 9))
        for (const [a, b] of [
          [frame.x, frame.y],
          [frame.y, frame.z],
          [frame.x, frame.z],
        ] as const)
          expect(dot(a, b)).toBeCloseTo(0, 9)
        const m = matrixOf(frame)
        inside.forEach((v, k) =>
          expect(
            m[4 * k]! * p[0] + m[4 * k + 1]! * p[1] + m[4 * k + 2]! * p[2] + m[4 * k + 3]!,
          ).toBeCloseTo(v, 9),
        )
      }),
    ))
  it('have two directions across any direction', () =>
    fc.assert(
      fc.property(
        points.filter((p) => Math.hypot(...p) > 1),
        (p) => {
          const d = p.map((v) => v / Math.hypot(...p)) as Vec3
          const [u, v] = across(d)
          expect([dot(u, d), dot(v, d), dot(u, v)].every((x) => Math.abs(x) < 1e-9)).toBe(true)
          expect(dot(cross(d, u), v)).toBeCloseTo(1, 9)
        },
      ),
    ))
})

/** Points on an upright elliptic cylinder that may lean, with noise. */
function column(
  a: number,
  b: number,
  height: number,
  lean = 0,
  noise = 0,
  from = 0,
  to = 2 * Math.PI,
): Float64Array {
  const out: number[] = []
  for (let k = 0; k < 14000; k++) {
    const [t, z] = [from + (to - from) * next(), height * next()]
    out.push(
      a * Math.cos(t) + z * Math.tan(lean) + noise * normal(),
      b * Math.sin(t) + 60 + noise * normal(),
      z,
    )
  }
  return Float64Array.from(out)
}

describe('girths and axes', () => {
  it('an ellipse has the girth that Ramanujan gives it; noise adds under half a millimetre', () => {
    const [a, b] = [46, 30]
    const h = ((a - b) / (a + b)) ** 2
    const exact = Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)))
    expect(girthIn(column(a, b, 60), [0, 60, 30], [0, 0, 1])!).toBeCloseTo(exact, 0)
    expect(
      Math.abs(girthIn(column(a, b, 60, 0, 0.3), [0, 60, 30], [0, 0, 1])! - exact),
    ).toBeLessThan(0.5)
  })
  it('is not given where the surface is open', () =>
    expect(girthIn(column(46, 30, 60, 0, 0, 0, Math.PI), [0, 60, 30], [0, 0, 1])).toBeNull())
  it('a tape spans a hollow', () => {
    // A circle dented over 0.7 rad: the tape runs along the chord there.
    const out: number[] = []
    for (let k = 0; k < 12000; k++) {
      const t = 2 * Math.PI * next()
      const off = Math.abs(t - Math.PI)
      const r = off < 0.35 ? 40 - 9 * (1 - off / 0.35) : 40
      out.push(r * Math.cos(t), r * Math.sin(t), 2 * next() - 1)
    }
    expect(
      Math.abs(
        girthIn(Float64Array.from(out), [0, 0, 0], [0, 0, 1])! -
          (40 * (2 * Math.PI - 0.7) + 80 * Math.sin(0.35)),
      ),
    ).toBeLessThan(1)
  })
  it('a gap is counted over the first direction too', () => {
    const half = Array.from({ length: 400 }, (_, k): [number, number] => [
      Math.cos(0.5 + (k / 400) * (2 * Math.PI - 1)),
      Math.sin(0.5 + (k / 400) * (2 * Math.PI - 1)),
    ])
    // The last direction and the first are empty, 15° each: one gap of two, not two of one.
    expect(ringAround(half, [0, 0], 24).gap).toBe(2)
  })
  it('a leaning leg tells its angle, a short one nothing', () => {
    const leg = legAxis(column(34, 46, 190, 0.06, 0.3), 260, 0)!
    expect(Math.atan(leg.direction[0] / leg.direction[2])).toBeCloseTo(0.06, 2)
    expect(legAxis(column(34, 46, 100), 260, 0)).toBeNull()
  })
  it('an edge is read through its noise, not at its outermost point', () => {
    const edge = edgeOf(column(46, 30, 20, 0, 0.3), 'medial', [0, 20], { at: 60, half: 5 })!
    expect(Math.abs(edge.atMm - 46)).toBeLessThan(0.35)
    expect(edgeOf(new Float64Array(0), 'medial', [0, 20])).toBeNull()
  })
  it('the back of a foot is a closed line between its sides', () => {
    const line = silhouetteBehind({ points: column(30, 30, 90), lengthMm: 400 })
    expect(Math.max(...line.map((p) => p[0]))).toBeCloseTo(30, 0)
    expect(Math.min(...line.map((p) => p[0]))).toBeCloseTo(-30, 0)
    expect(silhouetteBehind({ points: new Float64Array(0), lengthMm: 260 })).toEqual([])
  })
})

/** Two triangles of a slope over a square, wound so that they look down or up. */
const slope = (down: boolean, lift = 0): Mesh => ({
  positions: Float64Array.from([
    -40,
    0,
    lift - 4,
    40,
    0,
    lift + 4,
    40,
    80,
    lift + 4,
    -40,
    80,
    lift - 4,
  ]),
  triangles: Uint32Array.from(down ? [0, 2, 1, 0, 3, 2] : [0, 1, 2, 0, 2, 3]),
})

describe('the grid of a sole', () => {
  const seenAt = (grid: ReturnType<typeof emptyGrid>) =>
    rasterLow(grid, slope(true).positions, slope(true).triangles)
  it('holds the height of a slope at every middle, and its plane', () => {
    const grid = seenAt(emptyGrid(80, 50, 1))
    const plane = planeOf(grid, () => true)!
    expect(plane.b).toBeCloseTo(0.1, 6)
    expect([plane.a, plane.c].every((v) => Math.abs(v) < 1e-6)).toBe(true)
    expect(planeOf(grid, () => false)).toBeNull()
  })
  it('leaves out faces that look up, so that the instep never passes for the sole', () => {
    const both: Mesh = {
      positions: Float64Array.from([
        ...slope(true).positions,
        ...slope(false, 30).positions.map((v, i) => (i % 3 === 1 ? v + 90 : v)),
      ]),
      triangles: Uint32Array.from([0, 2, 1, 0, 3, 2, 4, 5, 6, 4, 6, 7]),
    }
    const grid = rasterLow(emptyGrid(180, 50, 1), both.positions, both.triangles)
    const { from } = rowEnds(grid)
    expect([...from.keys()].filter((r) => !Number.isNaN(from[r]!)).length).toBe(80)
  })
  it('is smoothed without moving a plane or filling what was not seen', () => {
    const grid = seenAt(emptyGrid(80, 50, 2))
    const smooth = smoothed(grid, 4)
    for (let i = 0; i < grid.z.length; i++)
      expect(Number.isNaN(smooth.z[i]!)).toBe(Number.isNaN(grid.z[i]!))
    const middle = Math.floor(smooth.rows / 2) * smooth.columns + Math.floor(smooth.columns / 2)
    expect(smooth.z[middle]!).toBeCloseTo(grid.z[middle]!, 6)
  })
  it('knows where its rows begin and end, and means leave gaps out', () => {
    const z = Float64Array.from([NaN, 1, 2, NaN, NaN, NaN])
    expect(rowEnds({ x0: 0, y0: 0, stepMm: 1, columns: 3, rows: 2, z })).toEqual({
      from: Float64Array.from([1, NaN]),
      to: Float64Array.from([2, NaN]),
    })
    expect([...movingMean(Float64Array.from([1, NaN, 3]), 1)]).toEqual([1, 2, 3])
  })
})

describe('parts of a mesh', () => {
  const mesh = slope(true)
  it('keep only what their faces use', () => {
    expect(partOf(mesh, (i) => i !== 3).positions.length).toBe(9)
    expect(partOf({ ...mesh, triangles: new Uint32Array() }, (i) => i > 1).positions.length).toBe(6)
    expect(compact(mesh).triangles).toEqual(Uint32Array.from([0, 1, 2, 0, 3, 1]))
  })
  it('thinned and sampled, a slope stays the slope', () => {
    const dense = samplePoints(mesh, 2)
    expect(dense.areaMm2).toBeCloseTo(Math.hypot(80, 8) * 80, 6)
    for (let i = 0; i < dense.xyz.length; i += 3)
      expect(dense.xyz[i + 2]!).toBeCloseTo(0.1 * dense.xyz[i]!, 6)
    expect(decimated(mesh, 200).triangles.length).toBe(0)
    expect(decimated(mesh, 1).triangles.length).toBe(6)
  })
})

describe('held as examined', () => {
  it.each([
    [{ neutralPalpatedDeg: [2, 4], ncspDeg: [9] }, 3, 'palpated'],
    [{ subtalar: { inversionDeg: [23], eversionDeg: [9.5] }, ncspDeg: [9] }, 1.3333, 'computed'],
    [{ ncspDeg: [1, 2] }, 1.5, 'standing'],
    [{}, 0, 'assumed'],
  ] as const)('%j: neutral %d° is %s', (findings, deg, from) => {
    const found = heldNeutral(JSON.parse(JSON.stringify(findings)))
    expect(found.from).toBe(from)
    expect(found.deg).toBeCloseTo(deg, 3)
  })
  it.each([
    [{ rest: 'level', upMm: [5] }, 0],
    [{ rest: 'plantarflexed', upMm: [6], downMm: [2] }, -2],
    [{ rest: 'elevated' }, 3],
    [{ rest: 'plantarflexed' }, -3],
    [{}, null],
  ] as const)('a first ray %j rests at %s mm', (firstRay, mm) =>
    expect(firstRayRestMm(JSON.parse(JSON.stringify({ firstRay })))).toBe(mm),
  )
})

describe('verdicts', () => {
  const rule = (code: keyof typeof HOUSE_NORMS.captureLimit) =>
    CHECK_TABLE.find((c) => c.code === code)!
  it.each([
    ['heelUpright', -2, 'good'],
    ['heelUpright', -2.4, 'doubtful'],
    ['heelUpright', 2.6, 'redo'],
    ['midfootLocked', -9, 'good'],
    ['midfootLocked', 2.6, 'redo'],
    ['coverage', 95, 'good'],
    ['coverage', 94, 'doubtful'],
    ['coverage', 90, 'redo'],
  ] as const)('%s of %d is %s', (code, value, verdict) =>
    expect(verdictOf(rule(code), value)).toBe(verdict),
  )
  it('follow the limits of the table of norms, and faults are made by the same', () => {
    expect(verdictOf({ code: 'heelUpright', limit: 4 }, 3.5)).toBe('good')
    expect(usualFault('coverage', HOUSE_NORMS).amount).toBe(7.5)
    expect(usualFault('levelHeelBall', HOUSE_NORMS).amount).toBe(
      1.5 * HOUSE_NORMS.captureLimit.levelHeelBall,
    )
  })
  it('a table of norms from before these limits takes the house ones', () => {
    const { captureLimit: _, ...old } = normsSchema.parse({
      version: 3,
      source: 'an older table',
      painChange: 3,
    })
    expect(migratePart('norms', old, 1)).toMatchObject({
      version: 3,
      painChange: 3,
      captureLimit: HOUSE_NORMS.captureLimit,
    })
  })
})

describe('scan against hand', () => {
  const reading = (
    what: 'footLengthMm' | 'forefootWidthMm',
    posture: 'sitting' | 'standing',
    trials: number[],
    instrument?: string,
  ) => ({ what, posture, trials, struck: [], ...(instrument && { instrument }) })
  const foot: Foot = {
    readings: [
      reading('footLengthMm', 'sitting', [261, 262]),
      reading('footLengthMm', 'standing', [265, 266]),
      reading('forefootWidthMm', 'standing', [100]),
    ],
  }
  it('takes the hand reading of the nearest load, and calls a gap of another load no fault', () => {
    const [length, width] = againstHand(
      foot,
      { footLengthMm: 266, forefootWidthMm: 104 },
      'none',
      HOUSE_NORMS,
    )
    expect(length).toMatchObject({
      hand: { posture: 'sitting', meanMm: 261.5, trials: 2 },
      gapMm: 4.5,
      apart: true,
      otherLoad: false,
    })
    expect(width).toMatchObject({ gapMm: 4, apart: true, otherLoad: true })
    expect(againstHand(foot, { heelWidthMm: 64 }, 'none', HOUSE_NORMS)[0]).toMatchObject({
      hand: null,
      gapMm: null,
      apart: false,
    })
    expect([postureOf('none'), postureOf('part'), postureOf('full')]).toEqual([
      'prone',
      'sitting',
      'standing',
    ])
  })
  it('scan trials stand beside those of the hand and never mix with them', () => {
    const command: Command = {
      kind: 'readings.add',
      side: 'left',
      what: 'footLengthMm',
      posture: 'standing',
      values: [280],
      instrument: 'scan',
    }
    const stored = applyCommand(foot.readings, command, BY_HOUSE) as Foot['readings']
    expect(
      stored
        .filter((r) => r.what === 'footLengthMm' && r.posture === 'standing')
        .map((r) => r.trials),
    ).toEqual([[265, 266], [280]])
    expect(bestMean({ readings: stored }, 'footLengthMm', 'standing')).toBe(265.5)
    expect(
      keptAgainstHand(
        {
          readings: stored,
          capture: { way: 'scan', load: 'full', use: 'captured' },
        },
        HOUSE_NORMS,
      ),
    ).toMatchObject([{ what: 'footLengthMm', scanMm: 280, gapMm: 14.5, apart: true }])
    // Where no hand has measured, the scan counts.
    expect(
      bestMean(
        { readings: stored.filter((r) => r.instrument === 'scan') },
        'footLengthMm',
        'standing',
      ),
    ).toBe(280)
  })
})

describe('two soles against each other', () => {
  const grid = (z: (x: number, y: number) => number, lengthMm = 60) => ({
    x0: -20,
    y0: 0,
    stepMm: 1,
    columns: 40,
    rows: lengthMm,
    lengthMm,
    z: Float64Array.from({ length: 40 * lengthMm }, (_, i) =>
      z(-19.5 + (i % 40), Math.floor(i / 40) + 0.5),
    ),
  })
  const bump = (x: number, y: number) => 2 * Math.exp(-((x - 4) ** 2 + (y - 30) ** 2) / 60)
  it('the same sole differs by nothing, whatever its length', () => {
    const same = soleDifference(
      grid((x) => 0.1 * x),
      grid((x) => 0.1 * x, 66),
    )
    expect(same.rmsMm).toBeLessThan(1e-9)
    expect(same.sharedPercent).toBe(100)
  })
  it('a bump is found where it is, with its sign, away from the border', () => {
    const walls = (x: number) => (Math.abs(x) > 17 ? 9 : 0)
    const { largest } = soleDifference(
      grid((x, y) => bump(x, y) + walls(x)),
      grid(() => 0),
    )
    expect(largest!.mm).toBeCloseTo(2, 1)
    expect([largest!.xMm, largest!.yMm].map(Math.round)).toEqual([4, 30])
    expect(
      soleDifference(
        grid(() => 0),
        grid(bump),
      ).largest!.mm,
    ).toBeCloseTo(-2, 1)
  })
})
