import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { archHeightIndex, archStiffness } from '../../../core/measure/archIndex'
import {
  forefootWidthClass,
  volumeClass,
  expectedForefootWidthMm,
} from '../../../core/measure/classes'
import { measureRecord } from '../../../core/measure/measureRecord'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { doubt, looksLikeOtherFoot, refuseTrial } from '../../../core/measure/questions'
import { summarise } from '../../../core/measure/reading'
import { roundToHalf, sizesOf, ukWords } from '../../../core/measure/sizes'
import { supportedLengthMm } from '../../../core/measure/supportedLength'
import { parseRecord } from '../../../core/record/parse'
import { DEMO_RECORDS } from '../../../demo/records'
import { standing } from '../../fixtures/feet'

describe('sizes', () => {
  it('gives the reference sizes of 265 mm with an allowance of 10', () => {
    const sizes = sizesOf(265, 10)
    expect(sizes).toMatchObject({
      mondo: 26.5,
      eu: 41.25,
      rounded: { mondo: 26.5, eu: 41.5, uk: 7.5, usMen: 8.5, usWomen: 10 },
    })
  })
  it("gives the record format's example for 265.3", () => {
    expect(sizesOf(265.3, 10)).toMatchObject({
      mondo: 26.53,
      eu: 41.3,
      uk: 7.52,
      usMen: 8.52,
      usWomen: 10.02,
    })
  })
  it('rounds ties up after two decimals, and never down by floating dust', () => {
    expect([roundToHalf(41.25), roundToHalf(41.2499999), roundToHalf(41.24)]).toEqual([
      41.5, 41.5, 41,
    ])
  })
  it('says child sizes below the adult scale', () =>
    expect([ukWords(190, 16), ukWords(265, 10)]).toEqual(['child 12.5', '7.5']))
  it('grows with the foot', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 380, noNaN: true }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        (l, d) => sizesOf(l + d, 16).eu >= sizesOf(l, 16).eu,
      ),
    ))
})

describe('supported length', () => {
  it('fits 263.2 on a full custom device for 262 sitting and 266 standing', () =>
    expect(supportedLengthMm(266, 262, 'full-custom', HOUSE_NORMS)).toBeCloseTo(263.2, 9))
  it('caps the growth at 8 mm and never lengthens', () => {
    expect(supportedLengthMm(266, 250, 'full-custom', HOUSE_NORMS)).toBeCloseTo(266 - 5.6, 9)
    expect(supportedLengthMm(266, 268, 'full-custom', HOUSE_NORMS)).toBe(266)
  })
})

describe('classes and arch', () => {
  it('expects 105.6 mm at 280', () =>
    expect(expectedForefootWidthMm(280, HOUSE_NORMS)).toBeCloseTo(105.56, 6))
  it('puts width in classes at their limits', () => {
    const at = (delta: number) =>
      forefootWidthClass(expectedForefootWidthMm(265, HOUSE_NORMS) + delta, 265, HOUSE_NORMS).class
    expect([at(-4.1), at(-3.9), at(3.9), at(4.1), at(7.9), at(8.1)]).toEqual([
      'narrow',
      'medium',
      'medium',
      'wide',
      'wide',
      'extraWide',
    ])
  })
  it('puts waist girth in classes', () =>
    expect([88, 92, 96].map((g) => volumeClass(g, 100, HOUSE_NORMS.waistShare))).toEqual([
      'low',
      'medium',
      'high',
    ]))
  it('computes index and stiffness as published', () => {
    expect(archHeightIndex(63, 193)).toBeCloseTo(0.3264, 4)
    expect(archStiffness(75, 0.36, 0.34)).toBeCloseTo(14710, 0)
    expect(archStiffness(75, 0.36, 0.355)).toBeNull()
  })
})

describe('trials', () => {
  it('asks to repeat above the limit and proposes the odd trial when two agree', () => {
    expect(
      summarise({ what: 'instepGirthMm', trials: [246, 252, 247], struck: [] }, HOUSE_NORMS),
    ).toMatchObject({ spread: 6, repeat: true, agreed: true, proposeStrike: [1] })
    expect(
      summarise({ what: 'instepGirthMm', trials: [246, 252], struck: [] }, HOUSE_NORMS),
    ).toMatchObject({
      repeat: true,
      agreed: false,
      proposeStrike: [],
    })
  })
  it('needs three of four to agree, and gives up after five', () => {
    expect(
      summarise({ what: 'footLengthMm', trials: [260, 261, 266, 267], struck: [] }, HOUSE_NORMS)!
        .agreed,
    ).toBe(false)
    expect(
      summarise(
        { what: 'footLengthMm', trials: [260, 264, 268, 272, 276], struck: [] },
        HOUSE_NORMS,
      ),
    ).toMatchObject({ agreed: false, notRepeatable: true })
  })
  it('means the kept trials only', () =>
    expect(
      summarise({ what: 'footLengthMm', trials: [264, 280, 265], struck: [1] }, HOUSE_NORMS),
    ).toMatchObject({ mean: 264.5, trials: 2, repeat: false }))
  it('keeps the mean between the trials and the spread non-negative', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 200, max: 300, noNaN: true }), { minLength: 1, maxLength: 5 }),
        (trials) => {
          const s = summarise({ what: 'footLengthMm', trials, struck: [] }, HOUSE_NORMS)!
          return (
            s.spread >= 0 &&
            s.mean >= Math.min(...trials) - 1e-9 &&
            s.mean <= Math.max(...trials) + 1e-9 &&
            (s.repeat || trials.length < 2 || s.agreed)
          )
        },
      ),
    ))
})

describe('unlikely and impossible values', () => {
  it('refuses what is outside the bounds and guesses what was meant', () => {
    expect(refuseTrial('footLengthMm', 26.5, HOUSE_NORMS)).toMatchObject({ meant: 265 })
    expect(refuseTrial('dorsumHeightMm', 630, HOUSE_NORMS)).toMatchObject({ meant: 63 })
    expect(refuseTrial('footLengthMm', 1e9, HOUSE_NORMS)).toMatchObject({ meant: null })
    expect(refuseTrial('footLengthMm', -4, HOUSE_NORMS)!.words).toContain('80 to 400')
    expect(refuseTrial('footLengthMm', NaN, HOUSE_NORMS)!.words).toContain('not a number')
    expect(refuseTrial('footLengthMm', 265, HOUSE_NORMS)).toBeNull()
  })
  it('doubts a forefoot that no foot of that length has, and keeps a usual one', () => {
    expect(doubt('forefootWidthMm', 130, 265, HOUSE_NORMS)).toContain('unusually big')
    expect(doubt('forefootWidthMm', 100, 265, HOUSE_NORMS)).toBeNull()
  })
  it("knows the other foot's value", () => {
    expect(looksLikeOtherFoot('footLengthMm', 268.3, [264, 264.5], [268.3, 269], HOUSE_NORMS)).toBe(
      true,
    )
    expect(looksLikeOtherFoot('footLengthMm', 264.2, [264, 264.5], [264.2], HOUSE_NORMS)).toBe(
      false,
    )
  })
})

describe('a whole record', () => {
  it('gives Tove her sizes, differences and words', () => {
    const result = measureRecord(DEMO_RECORDS['tove-marchetti']!, 10)
    expect(result.feet.left!.sizes!.rounded.mondo).toBe(26.5)
    expect(result.differences.footLengthMm).toBeCloseTo(-4, 9)
    expect(result.feet.right!.words).toBe(
      'medium forefoot, medium-volume waist, average heel and instep, average ankle, usual arch',
    )
    expect(result.questions).toEqual([])
  })
  it('shows no adult classes for a child', () => {
    const { left } = measureRecord(DEMO_RECORDS['juno-abara']!, 10).feet
    expect(left!.classes).toBeUndefined()
    expect(left!.arch.class).toBeUndefined()
  })
  it("names the feet's gap and a foot that is longer sitting", () => {
    const record = parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: {
        left: {
          readings: [
            standing('footLengthMm', 264),
            { what: 'footLengthMm', posture: 'sitting', trials: [268] },
          ],
        },
        right: { readings: [standing('footLengthMm', 280)] },
      },
    })
    const words = measureRecord(record, 10)
      .questions.map((q) => q.words)
      .join(' ')
    expect(words).toContain('longer sitting')
    expect(words).toContain('differs by 16 mm')
  })
  it('sizes by arch length when the toes are short for the arch', () => {
    const record = parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: { left: { readings: [standing('footLengthMm', 260), standing('archLengthMm', 196)] } },
    })
    expect(measureRecord(record, 10).feet.left!.sizeBy).toBe('archLength')
  })
})
