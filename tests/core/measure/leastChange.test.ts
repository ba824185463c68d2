import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fitterBiases, fitterErrors, type DoubleRead } from '../../../core/measure/fitterErrors'
import { leastChange, NO_ERRORS, shopErrors } from '../../../core/measure/leastChange'

const WHAT = 'waistGirthMm'
/** Pairs that differ by so many mm, one foot each. */
const doubles = (fitter: string, gaps: readonly number[], base = 240): DoubleRead[] =>
  gaps.map((gap, i) => ({
    what: WHAT,
    fitter,
    subject: `HR-${i} L`,
    first: base + i,
    second: base + i + gap,
  }))
// Σd² = 10 over five pairs: TEM = 1.
const ADA = doubles('Ada', [1, -1, 2, 0, 2])
// Σd² = 40 over five pairs: TEM = 2.
const BEN = doubles('Ben', [2, -2, 4, 0, 4])
const by = (name: string | undefined, ...tries: number[]) => ({ by: name, tries })

describe('errors of fitters', () => {
  it('are their own, by hand', () => {
    const told = fitterErrors([...ADA, ...BEN])
    expect(told.map((e) => [e.fitter, e.pairs, Number(e.tem.toFixed(6))])).toEqual([
      ['Ada', 5, 1],
      ['Ben', 5, 2],
    ])
  })

  it('and what they read apart, on feet that both have read', () => {
    // Ben reads the same five feet 3 mm fuller, and one more that Ada never saw.
    const same = ADA.map((d) => ({ ...d, fitter: 'Ben', first: d.first + 3, second: d.second + 3 }))
    const alone = { ...ADA[0]!, fitter: 'Ben', subject: 'HR-99 R', first: 200, second: 200 }
    expect(fitterBiases([...ADA, ...same, alone])).toEqual([
      { what: WHAT, fitters: ['Ada', 'Ben'], feet: 5, bias: -3 },
    ])
  })

  it('take a foot by its words, however they are typed', () => {
    const [one] = ADA
    const typed = { ...one!, fitter: 'Ben', subject: ` ${one!.subject.toLowerCase()} ` }
    expect(fitterBiases([one!, typed])).toMatchObject([{ feet: 1, bias: 0 }])
  })
})

describe('from where a difference of two means counts', () => {
  const errors = shopErrors([...ADA, ...BEN])

  it('single readings of one fitter: 1.96·√2·TEM', () => {
    const { least, from } = leastChange(WHAT, by('Ada', 240), by('Ada', 244), errors, 9)
    expect(least).toBeCloseTo(2.7719, 3)
    expect(from).toBe('double readings of Ada')
  })

  it('of two fitters: 1.96·√(TEM₁² + TEM₂²)', () => {
    const { least, from } = leastChange(WHAT, by('Ada', 240), by('Ben', 244), errors, 9)
    expect(least).toBeCloseTo(1.96 * Math.sqrt(5), 9)
    expect(from).toBe('double readings of Ada and Ben')
  })

  it('means of several tries count earlier: what varies within an occasion is averaged', () => {
    // Within: both pairs of tries differ by 1, w² = 0.5. Between: 1 − 0.5.
    const told = leastChange(WHAT, by('Ada', 240, 241), by('Ada', 244, 245), errors, 9)
    expect(told.least).toBeCloseTo(1.96 * Math.sqrt(2 * 0.5 + 0.5 * (1 / 2 + 1 / 2)), 9)
  })

  it('too few pairs, or none, leave the house default', () => {
    const few = shopErrors(ADA.slice(0, 4))
    expect(leastChange(WHAT, by('Ada', 240), by('Ada', 244), few, 9)).toEqual({
      least: 9,
      bias: 0,
      from: 'house default',
    })
    expect(leastChange('ncspDeg', by('Ada', 1), by('Ada', 2), errors, 4).least).toBe(4)
    expect(leastChange(WHAT, by('Ada', 240), by('Ada', 244), NO_ERRORS, 3).least).toBe(3)
  })

  it('somebody without pairs of their own is judged by all together', () => {
    const { least, from } = leastChange(WHAT, by('Cleo', 240), by(undefined, 244), errors, 9)
    // Pooled by pairs: TEM² = (5·1 + 5·4)/10.
    expect(least).toBeCloseTo(1.96 * Math.sqrt(2 * 2.5), 9)
    expect(from).toBe('double readings of all fitters')
  })

  it('tells what the second fitter reads more, and the other way round', () => {
    const fuller = ADA.map((d) => ({
      ...d,
      fitter: 'Ben',
      first: d.first + 3,
      second: d.second + 3,
    }))
    const shop = shopErrors([...ADA, ...fuller])
    expect(leastChange(WHAT, by('Ada', 240), by('Ben', 243), shop, 9).bias).toBe(3)
    expect(leastChange(WHAT, by('Ben', 243), by('Ada', 240), shop, 9).bias).toBe(-3)
    expect(leastChange(WHAT, by('Ada', 240), by('Ada', 243), shop, 9).bias).toBe(0)
  })

  it('more tries never make it larger', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 4 }), (k, more) => {
        const spread = (count: number) => Array.from({ length: count }, (_, i) => 240 + (i % 2))
        // The same error within: two tries of either, then more of the same.
        const least = (count: number) =>
          leastChange(WHAT, by('Ada', ...spread(2 * count)), by('Ada', ...spread(2)), errors, 9)
            .least
        expect(least(k + more)).toBeLessThanOrEqual(least(k) + 0.1)
      }),
    ))
})
