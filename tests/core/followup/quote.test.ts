import { HOUSE_TABLES } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { benchRecords } from '../../../demo/benchRecords'
import { demoModels } from '../../../demo/catalogue'
import { priceTableSchema } from '../../../core/tables/prices'
import { quoteChanges, quoteLines, quoteSums } from '../../../core/followup/quote'

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
