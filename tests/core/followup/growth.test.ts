import { HOUSE_NORMS } from '../../../core/record/tables'
import { addDays } from '../../../core/record/isoDay'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  fitGrowth,
  lengthOn,
  monthsBetween,
  outgrown,
  usualGrowthMm,
} from '../../../core/followup/growth'

describe('growth', () => {
  it("lies between the default and the child's own line, nearer to whichever is surer", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.integer({ min: 2, max: 17 }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        (own, months, tem) => {
          const on = addDays('2025-06-01', Math.round(months * 30.436875))
          const fit = fitGrowth(
            [
              { on: '2025-06-01', lengthMm: 190 },
              { on, lengthMm: 190 + own * monthsBetween('2025-06-01', on) },
            ],
            '2016-03-01',
            undefined,
            HOUSE_NORMS,
            tem,
          )!
          expect(fit.slopeMm).toBeGreaterThanOrEqual(Math.min(own, 0.8) - 1e-9)
          expect(fit.slopeMm).toBeLessThanOrEqual(Math.max(own, 0.8) + 1e-9)
          expect(fit.slopeSdMm).toBeLessThan(0.3)
          const sharper = fitGrowth(
            [
              { on: '2025-06-01', lengthMm: 190 },
              { on, lengthMm: 190 + own * monthsBetween('2025-06-01', on) },
            ],
            '2016-03-01',
            undefined,
            HOUSE_NORMS,
            tem / 2,
          )!
          expect(Math.abs(sharper.slopeMm - own)).toBeLessThanOrEqual(
            Math.abs(fit.slopeMm - own) + 1e-9,
          )
        },
      ),
    ))
  it('has its defaults by age and sex', () =>
    expect(
      [
        [2, 'male'],
        [4, 'male'],
        [9, 'female'],
        [13, 'female'],
        [14, 'female'],
        [15, 'male'],
        [16, 'male'],
      ].map(([age, sex]) => usualGrowthMm(age as number, sex as string, HOUSE_NORMS)),
    ).toEqual([1.5, 1, 0.8, 0.5, 0, 0.5, 0]))
  it('weighs the default and the child by their errors', () => {
    // Two lengths six months apart, 6 mm more: own slope 6/T with T = 181/30.436875 = 5.9467
    // months; Σ(t − t̄)² = T²/2 = 17.68. Precision 17.68 + 1/0.09 = 28.79; (17.68 · 1.00896 +
    // 0.8/0.09)/28.79 = 0.9283 mm a month, SD 0.1864.
    const fit = fitGrowth(
      [
        { on: '2026-01-01', lengthMm: 190 },
        { on: '2026-07-01', lengthMm: 196 },
      ],
      '2017-03-01',
      undefined,
      HOUSE_NORMS,
      1,
    )!
    const T = monthsBetween('2026-01-01', '2026-07-01')
    const precision = T ** 2 / 2 + 1 / 0.09
    expect(fit.slopeMm).toBeCloseTo(((T ** 2 / 2) * (6 / T) + 0.8 / 0.09) / precision, 9)
    expect(fit.slopeMm).toBeCloseTo(0.9283, 3)
    expect(fit.slopeSdMm).toBeCloseTo(1 / Math.sqrt(precision), 9)
    // One length alone says nothing of the slope.
    expect(
      fitGrowth([{ on: '2026-07-01', lengthMm: 196 }], '2017-03-01', undefined, HOUSE_NORMS)!
        .slopeMm,
    ).toBeCloseTo(0.8, 9)
    // Shrinking is measuring error, not growth; lengths older than 18 months are left out.
    expect(
      fitGrowth(
        [
          { on: '2026-01-01', lengthMm: 240 },
          { on: '2027-01-01', lengthMm: 230 },
        ],
        '2009-01-01',
        'male',
        HOUSE_NORMS,
      )!.slopeMm,
    ).toBe(0)
    expect(
      fitGrowth(
        [
          { on: '2020-01-01', lengthMm: 150 },
          { on: '2026-07-01', lengthMm: 196 },
        ],
        '2017-03-01',
        undefined,
        HOUSE_NORMS,
      )!.count,
    ).toBe(1)
  })
  it('gives a band that widens, the day the toe room is used up, and the day for a new mould', () => {
    const fit = fitGrowth(
      [{ on: '2026-11-20', lengthMm: 199 }],
      '2017-03-01',
      'female',
      HOUSE_NORMS,
      1,
    )!
    const soon = lengthOn(fit, '2026-12-20')
    const later = lengthOn(fit, '2027-11-20')
    expect(later.lengthMm - 199).toBeCloseTo(0.8 * monthsBetween('2026-11-20', '2027-11-20'), 9)
    expect(soon.highMm - soon.lowMm).toBeCloseTo(
      2 * 1.96 * Math.sqrt(2 + (0.3 * monthsBetween('2026-11-20', '2026-12-20')) ** 2),
      9,
    )
    expect(later.highMm - later.lowMm).toBeGreaterThan(soon.highMm - soon.lowMm)
    // 210 inside and 5 mm least room: at 205 mm, 6 mm more, so after 7.5 months = 228.3 days.
    const when = outgrown(
      fit,
      '2026-11-20',
      { inside: { lengthMm: 210, leastRoomMm: 5 }, madeAtMm: 199 },
      { outgrownMm: { remakeMm: 10 } },
    )
    expect(when.footwear!.expected).toBe(addDays('2026-11-20', 229))
    expect(when.footwear!.earliest! < when.footwear!.expected!).toBe(true)
    expect(when.remake!.expected).toBe(addDays('2026-11-20', 381))
    expect(fitGrowth([], '2017-03-01', undefined, HOUSE_NORMS)).toBeNull()
  })
  it('is told by the rows it is handed, not by the house', () => {
    const own = {
      ...HOUSE_NORMS,
      usualGrowth: { ...HOUSE_NORMS.usualGrowth, from6Mm: 2, girlsUntilYears: 18 },
      growthFit: { usualSdMm: 0.3, lengthSdMm: 1, months: 3 },
      outgrownMm: { remakeMm: 20 },
    }
    expect(usualGrowthMm(9, undefined, own)).toBe(2)
    expect(usualGrowthMm(15, 'female', own)).toBe(0.5)
    const old = { on: '2026-01-01', lengthMm: 190 }
    const fit = fitGrowth([old, { on: '2026-11-20', lengthMm: 199 }], '2017-03-01', undefined, own)!
    expect(fit).toMatchObject({ count: 1, slopeMm: 2 })
    // 20 mm more at 2 mm a month: ten months.
    expect(outgrown(fit, '2026-11-20', { madeAtMm: 199 }, own).remake!.expected).toBe(
      addDays('2026-11-20', 305),
    )
  })
})
