import { HOUSE_NORMS } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fitPackOut, tableCurve, looseAfter, packedOut } from '../../../core/followup/packOut'

describe('packing out', () => {
  it('keeps the house curve: 10 % by day 10, 20 % in the end', () => {
    expect(packedOut(tableCurve(HOUSE_NORMS), 10)).toBeCloseTo(0.1, 12)
    expect(packedOut(tableCurve(HOUSE_NORMS), 20)).toBeCloseTo(0.15, 12)
    expect(packedOut(tableCurve(HOUSE_NORMS), 1e4)).toBeCloseTo(0.2, 12)
  })
  it('says when snug becomes roomy and loose: 8 mm of liner, 0.2 mm of room, band to 1', () => {
    // Room is 0.2 + 8 · 0.2 · (1 − 2^(−d/10)); it passes 1 where 2^(−d/10) = 1/2, so on day 10; 1.8
    // mm in the end is roomy, never loose.
    expect(looseAfter(0.2, 8, [0, 1], tableCurve(HOUSE_NORMS), HOUSE_NORMS)).toEqual({
      roomyDays: expect.closeTo(10, 9),
      looseDays: null,
      endVerdict: 'roomy',
    })
    expect(looseAfter(1.4, 8, [0, 1], tableCurve(HOUSE_NORMS), HOUSE_NORMS).roomyDays).toBe(0)
    expect(looseAfter(-1, 8, [0, 1], tableCurve(HOUSE_NORMS), HOUSE_NORMS)).toEqual({
      roomyDays: null,
      looseDays: null,
      endVerdict: 'right',
    })
  })
  it('learns from what was seen and is not overturned by one reading', () => {
    const truth = { endShare: 0.32, scaleDays: 8, count: 0 }
    const many = fitPackOut(
      [3, 6, 9, 12, 20, 30, 40, 60, 80, 100].map((days) => ({
        days,
        share: packedOut(truth, days),
      })),
      tableCurve(HOUSE_NORMS),
    )
    expect(many.endShare).toBeCloseTo(0.31, 1)
    expect(fitPackOut([{ days: 30, share: 0.6 }], tableCurve(HOUSE_NORMS)).endShare).toBeLessThan(
      0.45,
    )
    expect(fitPackOut([], tableCurve(HOUSE_NORMS))).toEqual(tableCurve(HOUSE_NORMS))
  })
})

describe('any curve of packing out', () => {
  const curve = fc.record({
    endShare: fc.double({ min: 0.02, max: 0.6, noNaN: true }),
    scaleDays: fc.double({ min: 1, max: 90, noNaN: true }),
    count: fc.constant(0),
  })
  it('only loses, never more than its end, and reaches a band on the day it says', () =>
    fc.assert(
      fc.property(
        curve,
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.integer({ min: 1, max: 400 }),
        (c, newMm, day) => {
          // Far out the curve is flat to the last digit.
          if (day < 20 * c.scaleDays)
            expect(packedOut(c, day)).toBeGreaterThan(packedOut(c, day - 1))
          expect(packedOut(c, day)).toBeLessThanOrEqual(c.endShare)
          const { roomyDays, looseDays } = looseAfter(newMm, 8, [-1, 1], c, HOUSE_NORMS)
          if (roomyDays) expect(newMm + 8 * packedOut(c, roomyDays)).toBeCloseTo(1, 6)
          if (looseDays && roomyDays) expect(looseDays).toBeGreaterThan(roomyDays)
          if (roomyDays === null) expect(newMm + 8 * c.endShare).toBeLessThanOrEqual(1 + 1e-9)
        },
      ),
    ))
})
