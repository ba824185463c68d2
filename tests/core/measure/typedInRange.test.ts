import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { typedInRange } from '../../../core/measure/typedInRange'

const RANGE = { low: -2, high: 20 }
const said = (text: string, more = {}) => typedInRange(text, 'Ball race', { ...RANGE, ...more })

describe('a typed number in a range', () => {
  it.each(['-2', '0', '20', '7,5', ' 7.5 mm'])('takes %s', (text) => {
    expect(said(text)).toHaveProperty('value')
  })

  it.each(['-2.1', '20.1', '', 'some', '1/2', 'NaN', 'Infinity'])('refuses “%s”', (text) => {
    expect(said(text)).toEqual({
      trouble: `Ball race: “${text}” is not a number from -2 to 20. Nothing was changed.`,
    })
  })

  it('asks for whole numbers where parts mean nothing', () => {
    expect(said('3', { whole: true })).toEqual({ value: 3 })
    expect(said('3.5', { whole: true })).toEqual({
      trouble: 'Ball race: “3.5” is not a whole number from -2 to 20. Nothing was changed.',
    })
  })

  it('gives back what was typed, and nothing out of reach', () => {
    fc.assert(
      fc.property(fc.integer({ min: -4000, max: 4000 }), (hundredths) => {
        const value = hundredths / 100
        const answer = said(String(value))
        expect(answer).toEqual(
          value >= -2 && value <= 20 ? { value } : { trouble: expect.any(String) },
        )
      }),
    )
  })
})
