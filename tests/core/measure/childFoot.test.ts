import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { childFootOf, usualLengthMm, usualWidthShare } from '../../../core/measure/childFoot'
import { shareBelow } from '../../../core/measure/shareBelow'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { standing } from '../../fixtures/feet'

const child = (bornOn: string, sex: string, lengthMm: number, widthMm = 0.38 * lengthMm) =>
  childFootOf(
    parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      client: { bornOn, sex },
      visit: { on: '2026-11-20' },
      feet: {
        left: {
          readings: [standing('footLengthMm', lengthMm), standing('forefootWidthMm', widthMm)],
        },
      },
    }),
    'left',
  )

describe('a growing foot among its likes', () => {
  it('has its place by the table of its age and sex', () => {
    // A birthday of the table: 9 years, girls 208 mm, one SD is 5 % of it.
    expect(child('2017-11-20', 'female', 208)!.footLength).toMatchObject({
      usualMm: expect.closeTo(208, 0),
      percentile: 50,
    })
    expect(child('2017-11-20', 'female', 208 * 1.05)!.footLength!.percentile).toBe(84)
    expect(child('2017-11-20', 'female', 208 * 0.9)!.footLength!.percentile).toBe(2)
    expect(child('2017-11-20', 'male', 212)!.footLength!.percentile).toBe(50)
    // Not told: between the two.
    expect(child('2017-11-20', 'unstated', 210)!.footLength!.percentile).toBe(50)
  })
  it('is none for a grown client, and says whose table it is', () => {
    expect(child('1985-03-02', 'female', 245)).toBeUndefined()
    expect(child('2017-11-20', 'female', 208)!.source).toContain('own assumption')
  })
  it('never grows shorter or wider for its length with age', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 15, noNaN: true }),
        fc.constantFrom('female', 'male', 'other'),
        (age, sex) => {
          expect(usualLengthMm(age + 1, sex, HOUSE_NORMS)).toBeGreaterThanOrEqual(
            usualLengthMm(age, sex, HOUSE_NORMS),
          )
          expect(usualWidthShare(age + 1, HOUSE_NORMS)).toBeLessThanOrEqual(
            usualWidthShare(age, HOUSE_NORMS),
          )
        },
      ),
    ))
  it('has shares of the normal distribution as they are published', () => {
    for (const [z, share] of [
      [0, 0.5],
      [1, 0.841345],
      [1.96, 0.975002],
      [-1.644854, 0.05],
      [-3, 0.00135],
    ] as const)
      expect(shareBelow(z)).toBeCloseTo(share, 5)
  })
})
