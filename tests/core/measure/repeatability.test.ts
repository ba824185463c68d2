import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  smallestChange,
  smallestChangeOfMeans,
  technicalError,
} from '../../../core/measure/repeatability'

describe('repeatability', () => {
  it('is √(Σd²/2n) for pairs', () =>
    expect(
      technicalError([
        [10, 12],
        [20, 20],
        [31, 29],
      ]),
    ).toBeCloseTo(Math.sqrt(8 / 6), 12))
  it('takes lists of any length and leaves single readings out', () => {
    expect(technicalError([[1, 2, 3], [5]])).toBeCloseTo(1, 12)
    expect(technicalError([[5], []])).toBeNull()
  })
  it('agrees with the pair formula whatever the pairs', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 200, max: 300, noNaN: true }),
            fc.double({ min: 200, max: 300, noNaN: true }),
          ),
          { minLength: 1, maxLength: 30 },
        ),
        (pairs) => {
          const direct = Math.sqrt(
            pairs.reduce((t, [a, b]) => t + (a - b) ** 2, 0) / (2 * pairs.length),
          )
          expect(technicalError(pairs)).toBeCloseTo(direct, 8)
        },
      ),
    ))
  it('gives the smallest believable change of single readings and of means', () => {
    expect(smallestChange(1)).toBeCloseTo(2.772, 3)
    const of = (between: number, within: number, tries: number) => ({ between, within, tries })
    expect(smallestChangeOfMeans(of(1, 0.5, 3), of(1, 0.5, 3))).toBeCloseTo(
      1.96 * Math.sqrt(2 + 0.25 * (2 / 3)),
      12,
    )
    expect(smallestChangeOfMeans(of(1, 0, 1), of(1, 0, 1))).toBeCloseTo(smallestChange(1), 12)
    // Two fitters, single readings: 1.96·√(0.6² + 0.8²).
    expect(smallestChangeOfMeans(of(0.6, 0, 1), of(0.8, 0, 1))).toBeCloseTo(1.96, 12)
  })
})
