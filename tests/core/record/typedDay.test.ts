import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays } from '../../../core/record/isoDay'
import { dayWords, typedDay } from '../../../core/record/typedDay'
import { runs } from '../../effort'

const anyDay = fc.integer({ min: -40_000, max: 40_000 }).map((n) => addDays('2026-11-28', n))

describe('a typed day', () => {
  it.each([
    ['2026-11-28', '2026-11-28'],
    ['2026/1/3', '2026-01-03'],
    ['28 Nov 2026', '2026-11-28'],
    ['28 november', '2026-11-28'],
    ['28.11.26', '2026-11-28'],
    ['28/11', '2026-11-28'],
    [' 3  - 4 - 1988 ', '1988-04-03'],
    ['Nov 28, 2026', '2026-11-28'],
    ['nov 28', '2026-11-28'],
    ['1 May 51', '1951-05-01'],
    ['1 May 50', '2050-05-01'],
    ['29 Feb 2028', '2028-02-29'],
  ])('%s is %s', (text, day) => {
    expect(typedDay(text, 2026)).toBe(day)
  })

  it.each([
    '',
    'soon',
    '31 Feb 2026',
    '29.2.2026',
    '0.1.2026',
    '12.13.2026',
    '28 Ju 2026',
    '28 Nov 202',
    '28',
    '28 11 2026 9',
    '2026-11',
  ])('“%s” is none', (text) => {
    expect(typedDay(text, 2026)).toBeNull()
  })

  it('is read back from its own words, whatever the year that is meant', () => {
    fc.assert(
      fc.property(anyDay, fc.integer({ min: 1900, max: 2100 }), (day, thisYear) => {
        expect(typedDay(dayWords(day), thisYear)).toBe(day)
        expect(typedDay(day, thisYear)).toBe(day)
      }),
      { numRuns: runs(1000) },
    )
  })

  it('is a day of the calendar or none, whatever is typed', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[0-9a-zA-Z ./,-]{0,14}$/), (text) => {
        const day = typedDay(text, 2026)
        if (day !== null) expect(new Date(`${day}T00:00:00Z`).toISOString().slice(0, 10)).toBe(day)
      }),
      { numRuns: runs(3000) },
    )
  })
})

it('months have their three letters, days no nought before them', () => {
  expect(dayWords('2026-01-03')).toBe('3 Jan 2026')
  expect(dayWords('1951-05-01')).toBe('1 May 1951')
})
