import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { matchCatalogue } from '../../../core/footwear/match'
import { pairInSizes } from '../../../core/footwear/pairInSizes'
import { demoModels } from '../../../demo/catalogue'
import { foot, SETTINGS, shell } from '../../fixtures/handShell'

const MODELS = demoModels()
const FEET = { left: foot, right: { ...foot, lengthMm: 270, bareLengthMm: 272 } }

describe('a pair in sizes that somebody takes', () => {
  it('is the ranked one, to the word, in the sizes that were ranked', () => {
    for (const best of matchCatalogue(FEET, MODELS, SETTINGS).pair) {
      const model = MODELS.find((m) => m.id === best.model)!
      const sizes = { left: best.left!.sizeMm, right: best.right!.sizeMm }
      const { because, ...taken } = pairInSizes(FEET, model, SETTINGS, sizes)
      expect(because).toBeNull()
      expect(taken).toEqual({ ...best, score: expect.closeTo(best.score, 9) as number })
    }
  })

  it('is never better than the ranked one, whatever is taken', () =>
    fc.assert(
      fc.property(fc.constantFrom(...MODELS), fc.nat(), fc.nat(), (model, l, r) => {
        const at = (n: number) => model.sizesMm[n % model.sizesMm.length]!
        const taken = pairInSizes(FEET, model, SETTINGS, { left: at(l), right: at(r) })
        expect([taken.left!.sizeMm, taken.right!.sizeMm]).toEqual([at(l), at(r)])
        const { pair } = matchCatalogue(FEET, [model], SETTINGS)
        if (taken.because === null)
          expect(taken.score).toBeGreaterThanOrEqual(pair[0]!.score - 1e-9)
      }),
    ))

  it('of what does not fit says why, and still gives every clearance', () => {
    const taken = pairInSizes(FEET, shell(), SETTINGS, { left: 255, right: 255 })
    expect(taken.because).toMatch(/^left 25\.5: .*; right 25\.5: /)
    expect(taken.left!.clearances.length).toBeCloseTo(278 - 10 - 264, 9)
  })

  it('a foot without a taken size, or with one that is not made, has the one that costs least', () => {
    const [best] = matchCatalogue({ left: foot }, [shell()], SETTINGS).pair
    for (const sizes of [{}, { left: 999 }])
      expect(pairInSizes({ left: foot }, shell(), SETTINGS, sizes).left!.sizeMm).toBe(
        best!.left!.sizeMm,
      )
    expect(pairInSizes({ left: foot }, shell(), SETTINGS, {}).right).toBeUndefined()
  })
})
