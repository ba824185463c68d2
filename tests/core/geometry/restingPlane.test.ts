import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { restingPlane } from '../../../core/geometry/restingPlane'
import { runs } from '../../effort'

/** By brute force: of all planes through three points with none below, the highest over the place. */
function byTrying(points: number[], [px, py]: readonly [number, number]): number | null {
  const p = Array.from({ length: points.length / 3 }, (_, i) => points.slice(3 * i, 3 * i + 3))
  let best: number | null = null
  for (let i = 0; i < p.length; i++)
    for (let j = i + 1; j < p.length; j++)
      for (let k = j + 1; k < p.length; k++) {
        const [[x1, y1, z1], [x2, y2, z2], [x3, y3, z3]] = [p[i]!, p[j]!, p[k]!] as [
          [number, number, number],
          [number, number, number],
          [number, number, number],
        ]
        const d = (x2 - x1) * (y3 - y1) - (x3 - x1) * (y2 - y1)
        if (Math.abs(d) < 1e-9) continue
        const b = ((z2 - z1) * (y3 - y1) - (z3 - z1) * (y2 - y1)) / d
        const c = ((x2 - x1) * (z3 - z1) - (x3 - x1) * (z2 - z1)) / d
        const at = (x: number, y: number) => z1 + b * (x - x1) + c * (y - y1)
        const l1 = ((x2 - px) * (y3 - py) - (x3 - px) * (y2 - py)) / d
        const l2 = ((x3 - px) * (y1 - py) - (x1 - px) * (y3 - py)) / d
        if (l1 < -1e-9 || l2 < -1e-9 || l1 + l2 > 1 + 1e-9) continue
        if (p.some(([x, y, z]) => z! < at(x!, y!) - 1e-7)) continue
        if (best === null || at(px, py) > best) best = at(px, py)
      }
  return best
}

const spot = fc.tuple(
  fc.double({ min: -50, max: 50, noNaN: true }),
  fc.double({ min: -50, max: 50, noNaN: true }),
  fc.double({ min: 0, max: 20, noNaN: true }),
)

describe('a body pressed down at a place', () => {
  it('rests on three legs as a stool does', () => {
    const stool = [0, 0, 0, 100, 0, 2, 0, 100, 5]
    const plane = restingPlane(stool, [20, 20])!
    expect(plane.a).toBeCloseTo(0, 9)
    expect(plane.b).toBeCloseTo(0.02, 9)
    expect(plane.c).toBeCloseTo(0.05, 9)
    expect(restingPlane(stool, [90, 90])).toBeNull()
  })
  it('rocks on four legs to the side that is pressed', () => {
    const wobbly = [-10, -10, 0, 10, -10, 0, 10, 10, 0, -10, 10, 1]
    // Legs 1 and 3 carry always, and the one on the pressed side with them.
    expect(restingPlane(wobbly, [3, -3])).toMatchObject({ b: expect.closeTo(0, 9) as number })
    const other = restingPlane(wobbly, [-3, 3])!
    expect([other.b, other.c].map((v) => Math.abs(v).toFixed(3))).toEqual(['0.050', '0.050'])
  })
  it('lies flat on a flat underside, wherever it is pressed', () => {
    const flat: number[] = []
    for (let x = -20; x <= 20; x += 2) for (let y = 0; y <= 60; y += 2) flat.push(x, y, 3 + x * 0.1)
    for (const at of [
      [0, 30],
      [-19.5, 0.5],
      [19, 59],
    ] as const) {
      const plane = restingPlane(flat, at)!
      expect(plane.b).toBeCloseTo(0.1, 9)
      expect(plane.c).toBeCloseTo(0, 9)
    }
  })
  it('rolls under a ball to where it is pressed', () => {
    // z = r² / 2R touches at the place, with the slope there.
    const bowl: number[] = []
    for (let x = -30; x <= 30; x++)
      for (let y = -30; y <= 30; y++) bowl.push(x, y, (x * x + y * y) / 120)
    const plane = restingPlane(bowl, [10, -5])!
    expect(plane.b).toBeCloseTo(10 / 60, 1)
    expect(plane.c).toBeCloseTo(-5 / 60, 1)
  })
  it('is what trying all planes finds, and lies below everything', () =>
    fc.assert(
      fc.property(
        fc.array(spot, { minLength: 4, maxLength: 14 }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        (spots, px, py) => {
          const points = spots.flat()
          const plane = restingPlane(points, [px, py])
          const tried = byTrying(points, [px, py])
          if (tried === null || !plane) return
          expect(plane.a + plane.b * px + plane.c * py).toBeCloseTo(tried, 5)
          for (const [x, y, z] of spots)
            expect(z - plane.a - plane.b * x - plane.c * y).toBeGreaterThan(-1e-6)
        },
      ),
      { numRuns: runs(20_000, 2_000) },
    ))
})
