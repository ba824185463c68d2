import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays } from '../../../core/record/isoDay'
import { dayWords, typedDay } from '../../../core/record/typedDay'
import { runs } from '../../effort'

const TODAY = '2026-11-28'
const anyDay = fc.integer({ min: -40_000, max: 40_000 }).map((n) => addDays('2026-11-28', n))

describe('a typed day', () => {
  it.each([
    ['2026-11-28', '2026-11-28'],
    ['2026/1/3', '2026-01-03'],
    ['28 Nov 2026', '2026-11-28'],
    ['28 november', '2026-11-28'],
    ['28.11.2026', '2026-11-28'],
    ['28/11', '2026-11-28'],
    [' 3  - 4 - 1988 ', '1988-04-03'],
    ['Nov 28, 2026', '2026-11-28'],
    ['nov 28', '2026-11-28'],
    ['1 May 1951', '1951-05-01'],
    ['1 Jan 1900', '1900-01-01'],
    ['28 Nov 2036', '2036-11-28'],
    ['29 Feb 2028', '2028-02-29'],
  ])('%s is %s', (text, day) => {
    expect(typedDay(text, { today: TODAY })).toEqual({ day })
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
    expect(typedDay(text, { today: TODAY })).toEqual({
      trouble: `“${text}” is not a day. Write it as 28 Nov 2026.`,
    })
  })

  it.each([
    ['3.4.88', '1988 or 2088? Write the year with four figures.'],
    ['28 Nov 26', '1926 or 2026? Write the year with four figures.'],
    ['3.4.0001', 'Not before 1 Jan 1900.'],
    ['31 Dec 1899', 'Not before 1 Jan 1900.'],
    ['29 Nov 2036', 'Not after 28 Nov 2036.'],
    ['1.1.9999', 'Not after 28 Nov 2036.'],
  ])('%s is asked', (text, trouble) => {
    const asked = typedDay(text, { today: TODAY })
    expect('trouble' in asked && asked.trouble).toBe(trouble)
  })

  it('keeps to the first and the last day of its field', () => {
    const born = { today: TODAY, max: TODAY }
    expect(typedDay('29 Nov 2026', born)).toEqual({ trouble: 'Not after 28 Nov 2026.' })
    expect(typedDay('28 Nov 2026', born)).toEqual({ day: TODAY })
    expect(typedDay('27 Nov 2026', { today: TODAY, min: TODAY })).toEqual({
      trouble: 'Not before 28 Nov 2026.',
    })
  })

  it('is read back from its own words, whatever the day it is', () => {
    fc.assert(
      fc.property(anyDay, anyDay, (day, today) => {
        const all = { today, min: '1800-01-01', max: '2200-01-01' }
        expect(typedDay(dayWords(day), all)).toEqual({ day })
        expect(typedDay(day, all)).toEqual({ day })
      }),
      { numRuns: runs(1000) },
    )
  })

  it('is a day of the calendar or none, whatever is typed', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[0-9a-zA-Z ./,-]{0,14}$/), (text) => {
        const typed = typedDay(text, { today: TODAY })
        if ('trouble' in typed) return
        const { day } = typed
        expect(new Date(`${day}T00:00:00Z`).toISOString().slice(0, 10)).toBe(day)
        expect(day >= '1900-01-01' && day <= '2036-11-28').toBe(true)
      }),
      { numRuns: runs(3000) },
    )
  })
})

it('months have their three letters, days no nought before them', () => {
  expect(dayWords('2026-01-03')).toBe('3 Jan 2026')
  expect(dayWords('1951-05-01')).toBe('1 May 1951')
})
