import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { readForm, typedNumber, typedText } from '../../app/browser/readForm'
import { newClientBody } from '../../shared/contracts'

const body = z.strictObject({
  details: z.strictObject({ name: z.string().trim().min(1, 'A name is needed.') }),
  massKg: z.number().min(2).max(350).optional(),
  place: z.string().min(1).max(5),
})
const GOOD = { details: { name: 'Ottilie' }, massKg: 64.5, place: 'heel' }
const troubles = (change: object) => readForm(body, { ...GOOD, ...change }).troubles

describe('a form read by a schema', () => {
  it('gives the value as the schema makes it', () => {
    const read = readForm(body, { ...GOOD, details: { name: '  Ottilie ' } })
    expect(read).toEqual({ value: GOOD, troubles: {} })
  })

  it.each([
    ['the schema’s own words', { details: { name: ' ' } }, 'details.name', 'A name is needed.'],
    ['a number under its least', { massKg: 1.9 }, 'massKg', 'Not under 2.'],
    ['a number over its most', { massKg: 350.1 }, 'massKg', 'Not over 350.'],
    ['text for a number', { massKg: 'heavy' }, 'massKg', '“heavy” is not a number.'],
    ['no text', { place: '' }, 'place', 'Say this.'],
    ['too long a text', { place: 'behind the heel' }, 'place', 'At most 5 letters.'],
    ['nothing at all', { place: undefined }, 'place', 'Say this.'],
  ])('says of %s where and why', (_, change, path, words) => {
    expect(troubles(change)).toEqual({ [path]: words })
    expect(readForm(body, { ...GOOD, ...change }).value).toBeNull()
  })

  it('takes the least and the most, and says all that is wrong at once', () => {
    expect(troubles({ massKg: 2 })).toEqual({})
    expect(troubles({ massKg: 350 })).toEqual({})
    expect(Object.keys(troubles({ massKg: 351, place: '' }))).toEqual(['massKg', 'place'])
  })

  it('reads a new client as the server will', () => {
    const typed = (massKg: string) =>
      readForm(newClientBody, { details: { name: 'Ottilie', massKg: typedNumber(massKg) } })
    expect(typed('64,5').value).toEqual({ details: { name: 'Ottilie', massKg: 64.5 } })
    expect(typed('').value).toEqual({ details: { name: 'Ottilie' } })
    expect(typed('1').troubles).toEqual({ 'details.massKg': 'Not under 2.' })
  })
})

describe('what stands in a field', () => {
  it('is a number, its own text, or nothing', () => {
    expect(typedNumber(' 64,5 ')).toBe(64.5)
    expect(typedNumber(' about 64 ')).toBe('about 64')
    expect(typedNumber('  ')).toBeUndefined()
    expect(typedText(' night nurse ')).toBe('night nurse')
    expect(typedText('  ')).toBeUndefined()
  })
})
