import { contours } from 'd3-contour'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isoRings } from '../../../core/geometry/isoRings'
import { runs } from '../../effort'

/** Signed area of closed rings. */
const area = (rings: readonly (readonly (readonly number[])[])[]) =>
  rings.reduce(
    (sum, ring) =>
      sum +
      ring.reduce(
        (s, [x, y], i) =>
          s + x! * ring[(i + 1) % ring.length]![1]! - ring[(i + 1) % ring.length]![0]! * y!,
        0,
      ) /
        2,
    0,
  )

describe('lines of equal height', () => {
  it('ring a cone as circles, higher ground to the left', () => {
    const [columns, rows] = [61, 61]
    const cone = Array.from(
      { length: columns * rows },
      (_, i) => 30 - Math.hypot((i % columns) - 30, Math.floor(i / columns) - 30),
    )
    const [ten, twenty] = isoRings(columns, rows, cone, [10, 20])
    expect(ten).toHaveLength(1)
    expect(area(ten!)).toBeCloseTo(Math.PI * 20 ** 2, -1)
    for (const [x, y] of twenty![0]!) expect(Math.hypot(x - 30.5, y - 30.5)).toBeCloseTo(10, 0)
  })
  it('turn the other way round a hole', () => {
    const pit = Array.from({ length: 900 }, (_, i) =>
      Math.hypot((i % 30) - 14.5, Math.floor(i / 30) - 14.5),
    )
    const [rings] = isoRings(30, 30, pit, [8])
    expect(rings).toHaveLength(2)
    expect(rings!.map((r) => Math.sign(area([r]))).sort()).toEqual([-1, 1])
  })
  it('enclose the same areas as an independent tracer, on any ground, gaps and saddles included', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.array(fc.double({ min: 0, max: 10, noNaN: true }), { minLength: 7, maxLength: 7 }),
          { minLength: 5, maxLength: 9 },
        ),
        (ground) => {
          const values = ground.flat()
          // Values that equal a height exactly are a matter of taste; the two are compared off
          // them.
          const heights = [1.337, 4.242, 7.654]
          const mine = isoRings(7, ground.length, values, heights)
          const theirs = contours().size([7, ground.length]).thresholds(heights)(values)
          return heights.every((_, k) => {
            const inner = (rings: readonly (readonly (readonly number[])[])[]) =>
              Math.abs(area(rings))
            return (
              Math.abs(
                inner(mine[k]!) -
                  Math.abs(
                    theirs[k]!.coordinates.flat().reduce(
                      (s, ring) => s + area([ring.slice(0, -1)]),
                      0,
                    ),
                  ),
              ) < 0.5
            )
          })
        },
      ),
      { numRuns: runs(200) },
    ))
  it('are closed: every ring has at least three points and none is used twice', () => {
    const waves = Array.from(
      { length: 1600 },
      (_, i) => Math.sin((i % 40) / 3) * Math.cos(Math.floor(i / 40) / 4),
    )
    for (const rings of isoRings(40, 40, waves, [-0.5, 0, 0.5])) {
      const points = rings.flat().map((p) => p.join())
      expect(rings.every((r) => r.length >= 3)).toBe(true)
      expect(new Set(points).size).toBe(points.length)
    }
  })
})
