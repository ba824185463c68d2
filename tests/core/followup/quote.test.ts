import { HOUSE_TABLES } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { benchRecords } from '../../../demo/benchRecords'
import { demoModels } from '../../../demo/catalogue'
import { PRICE_KINDS, priceTableSchema } from '../../../core/tables/prices'
import { pricedBy } from '../../../core/followup/priced'
import { quoteChanges, quoteLines, quoteOf, quoteSums } from '../../../core/followup/quote'

const TODAY = '2026-11-25'
const models = demoModels()
const jobs = benchRecords(TODAY)

describe('a quote', () => {
  it('holds footwear, devices, decided work and visits under guarantee by the price list', () => {
    const paavo = quoteLines(jobs['paavo-moreau']!.record, models, HOUSE_TABLES)
    expect(paavo).toEqual({
      missing: [],
      lines: [
        { words: 'Measuring and examination', count: 1, amount: 55, taxPercent: 20 },
        { words: 'Skarnholm Edge One, 27.0', count: 1, amount: 420, taxPercent: 20 },
        { words: 'Shell stretch', count: 2, amount: 35, taxPercent: 20 },
      ],
    })
    // 55 + 420 + 70 = 545 with 20 % in it: 454.17 and 90.83.
    expect(quoteSums({ ...paavo, withTax: true })).toEqual({
      net: 454.17,
      tax: [{ percent: 20, amount: 90.83 }],
      total: 545,
    })
    expect(quoteSums({ ...paavo, withTax: false })).toEqual({
      net: 545,
      tax: [{ percent: 20, amount: 109 }],
      total: 654,
    })
    const soraya = quoteLines(jobs['soraya-benedek']!.record, models, HOUSE_TABLES).lines
    expect(soraya.at(-1)).toMatchObject({
      words: 'Visits for adjustment under guarantee, within 12 months',
      count: 3,
      amount: 0,
    })
  })
  it('charges half a pair for one foot, says what has no price, and tells what a client changed', () => {
    const one = structuredClone(jobs['soraya-benedek']!.record)
    one.feet.right!.device!.kind = 'none'
    one.making = { extra: ['liner-mould', 'heated-mould'] }
    const { lines, missing } = quoteLines(one, models, HOUSE_TABLES)
    expect(lines.find((l) => l.words.includes('one foot'))).toMatchObject({
      words: 'Full custom footbed, one foot',
      amount: 145,
    })
    expect(missing).toEqual(['Internal mould with its own heating'])
    expect(
      quoteChanges(
        lines,
        lines.map((l) => (l.amount === 145 ? { ...l, amount: 120 } : l)),
      ),
    ).toEqual([
      'out: 1 × Full custom footbed, one foot at 145',
      'in: 1 × Full custom footbed, one foot at 120',
    ])
    expect(() =>
      priceTableSchema.parse({ prices: [{ id: 'x', name: 'x', kind: 'other', amount: -1 }] }),
    ).toThrow()
  })
  it('adds up to the cent, whatever the rates', () => {
    const line = fc.record({
      words: fc.constant('x'),
      count: fc.integer({ min: 1, max: 9 }),
      amount: fc.integer({ min: 0, max: 99_999 }).map((c) => c / 100),
      taxPercent: fc.constantFrom(0, 5.5, 7, 19, 20, 25),
    })
    fc.assert(
      fc.property(
        fc.array(line, { minLength: 1, maxLength: 12 }),
        fc.boolean(),
        (lines, withTax) => {
          const { net, tax, total } = quoteSums({ lines, withTax })
          const asked = lines.reduce((s, l) => s + l.count * l.amount, 0)
          expect(total).toBeCloseTo(net + tax.reduce((s, t) => s + t.amount, 0), 6)
          expect(Math.abs((withTax ? total : net) - asked)).toBeLessThan(0.006)
          expect(tax.every((t) => t.amount >= 0)).toBe(true)
        },
      ),
    )
  })
})

describe('what can be priced', () => {
  const record = () => structuredClone(jobs['soraya-benedek']!.record)
  const withPrices = (...prices: object[]) => ({
    ...HOUSE_TABLES,
    prices: priceTableSchema.parse({ prices }),
  })
  it('is everything that can be done, each once, and comes into a quote by what it stands for', () => {
    for (const kind of PRICE_KINDS) {
      const all = pricedBy(kind, HOUSE_TABLES.processes)
      expect(all.length, kind).toBeGreaterThan(1)
      expect(new Set(all.map(({ of }) => of)).size, kind).toBe(all.length)
    }
    const made = record()
    made.feet.left!.device!.layers = [
      { kind: 'metPad', on: true, heightMm: 4 },
      { kind: 'medialSkive', on: false, depthMm: 3 },
    ] as never
    made.feet.right!.device!.layers = [{ kind: 'metPad', on: true, heightMm: 4 }] as never
    const pad = { id: 'pad', name: 'Pad behind the heads', kind: 'layer', of: 'metPad', amount: 12 }
    const skive = { id: 'skive', name: 'Skive', kind: 'layer', of: 'medialSkive', amount: 9 }
    const device = { id: 'd', name: 'Pair', kind: 'device', of: 'full-custom', amount: 100 }
    const { lines } = quoteLines(made, models, withPrices(pad, skive, device))
    expect(lines.filter((l) => l.amount > 0)).toEqual([
      { words: 'Pair', count: 1, amount: 100, taxPercent: 20 },
      { words: 'Pad behind the heads', count: 2, amount: 12, taxPercent: 20 },
    ])
  })
  it('a first visit is charged to a client once', () => {
    const words = (isKnown: boolean) =>
      quoteLines(record(), models, HOUSE_TABLES, { isKnown }).lines.map((l) => l.words)
    expect(words(false)).toContain('Measuring and examination')
    expect(words(true)).toEqual(words(false).filter((w) => w !== 'Measuring and examination'))
  })
  it('of a round only the round: paid by its price, under guarantee at no charge', () => {
    const round = (terms: 'paid' | 'guarantee' | 'goodwill', kind = 'adjustment') => {
      const back = record()
      back.handover = { on: TODAY }
      back.rounds = [
        { no: 2, kind: kind as never, feet: ['left'], reason: 'presses', terms, openedOn: TODAY },
      ]
      return quoteLines(back, models, HOUSE_TABLES)
    }
    expect(round('paid').lines).toEqual([
      { words: 'Adjustment after the guarantee', count: 1, amount: 40, taxPercent: 20 },
    ])
    for (const terms of ['guarantee', 'goodwill'] as const)
      expect(round(terms).lines).toMatchObject([{ amount: 0, count: 1 }])
    expect(round('paid', 'remake')).toMatchObject({
      lines: [],
      missing: ['Round 2: remake, left, paid: presses'],
    })
  })
  it('a deposit is its share of all of it, to the cent, and none where none is asked', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 99_999 }),
        fc.integer({ min: 1, max: 100 }),
        fc.boolean(),
        (cents, depositPercent, withTax) => {
          const lines = [{ words: 'x', count: 3, amount: cents / 100, taxPercent: 19 }]
          const terms = { ...HOUSE_TABLES.prices, depositPercent, withTax }
          const { deposit } = quoteOf(lines, terms, { id: 'q', on: TODAY })
          const { total } = quoteSums({ lines, withTax })
          expect(Math.abs(deposit! - (total * depositPercent) / 100)).toBeLessThan(0.0051)
          expect(Math.abs(deposit! * 100 - Math.round(deposit! * 100))).toBeLessThan(1e-6)
        },
      ),
    )
    const plain = quoteOf(
      [{ words: 'x', count: 1, amount: 5, taxPercent: 0 }],
      HOUSE_TABLES.prices,
      {
        id: 'q',
        on: TODAY,
      },
    )
    expect(plain).not.toHaveProperty('deposit')
  })
})
