import { describe, expect, it } from 'vitest'
import { quoteOf, quoteState, withQuote } from '../../../core/followup/quote'
import type { Quote } from '../../../core/record/schema'
import { HOUSE_TABLES } from '../../../core/record/tables'

const line = (words: string, amount: number) => ({ words, count: 1, amount, taxPercent: 20 })
const quote = (part: Partial<Quote> = {}): Quote => ({
  ...quoteOf([line('Device', 300)], HOUSE_TABLES.prices, { id: 'q', on: '2026-11-01' }),
  ...part,
})

describe('a quote', () => {
  it('holds for the days of the price list, and is open', () => {
    expect(quote()).toMatchObject({ on: '2026-11-01', validUntil: '2026-12-01', answer: 'open' })
  })
  it.each([
    ['on its last day', '2026-12-01', 'open', false],
    ['the day after', '2026-12-02', 'open', true],
    ['accepted in time', '2027-06-01', 'accepted', false],
  ] as const)('%s is over: %s', (_, today, answer, isOver) => {
    expect(quoteState(quote({ answer }), [line('Device', 300)], today).isOver).toBe(isOver)
  })
  it('says what has changed since, but not what costs nothing', () => {
    const now = [line('Device', 320), line('Visits under guarantee', 0)]
    expect(quoteState(quote(), [line('Device', 300)], '2026-11-02').changed).toEqual([])
    const { changed } = quoteState(quote(), now, '2026-11-02')
    expect(changed[0]).toContain('Device at 300')
    expect(changed[1]).toContain('Device at 320')
    expect(changed).toHaveLength(2)
  })
  it('that was declined is held against nothing', () => {
    expect(quoteState(quote({ answer: 'declined' }), [], '2026-11-02').changed).toEqual([])
  })
  it('that another takes the place of was changed; an answered one keeps its answer', () => {
    const next = quote({ id: 'next', on: '2026-11-05' })
    const given = [quote({ id: 'a', answer: 'declined' }), quote({ id: 'b' })]
    expect(withQuote(given, next).map((q) => [q.id, q.answer])).toEqual([
      ['a', 'declined'],
      ['b', 'changed'],
      ['next', 'open'],
    ])
  })
})
