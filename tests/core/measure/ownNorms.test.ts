import fc from 'fast-check'
import { describe, expect, it, test } from 'vitest'
import { ownOffers } from '../../../core/measure/ownOffers'
import {
  ownShares,
  percentileIn,
  placeAmong,
  sizeGroupOf,
  type OwnClient,
} from '../../../core/measure/ownNorms'
import { HOUSE_TABLES, shopTablesSchema } from '../../../core/record/tables'
import { standing } from '../../fixtures/feet'

const OWN = HOUSE_TABLES.ownRecords
const taken = (what: string, mm: number) => ({ ...standing(what as never, mm), struck: [] })
const client = (
  lengthMm: number,
  shares: Record<string, number>,
  more: object = {},
): OwnClient => ({
  on: '2026-11-01',
  feet: {
    left: {
      readings: [
        taken('footLengthMm', lengthMm),
        ...Object.entries(shares).map(([what, share]) =>
          taken(what, Number((share * lengthMm).toFixed(6))),
        ),
      ] as never,
    },
  },
  ...more,
})
const many = (count: number, shareOf: (i: number) => number, lengthMm = 250) =>
  Array.from({ length: count }, (_, i) => client(lengthMm, { waistGirthMm: shareOf(i) }))
const waist = (clients: OwnClient[], size: string | null = null, age = 'adult') =>
  ownShares(clients, OWN).find((s) => s.what === 'waistGirthMm' && s.size === size && s.age === age)

describe('a shop’s own feet', () => {
  it('have the middle value and a spread that is deaf to slips', () => {
    const shares = [0.9, 0.91, 0.92, 0.93, 0.94]
    expect(waist(shares.map((s) => client(250, { waistGirthMm: s })))).toMatchObject({
      clients: 5,
      median: expect.closeTo(0.92, 9),
      spread: expect.closeTo(1.4826 * 0.01, 9),
    })
    // One typed with the decimal in the wrong place moves neither by more than a neighbour.
    const slip = waist([...shares.slice(0, 4), 9.4].map((s) => client(250, { waistGirthMm: s })))!
    expect(slip.median).toBeCloseTo(0.92, 9)
    expect(slip.spread).toBeLessThan(0.02)
  })

  it('count a client once, whatever feet they have', () => {
    const both: OwnClient = {
      on: '2026-11-01',
      feet: {
        left: client(250, { waistGirthMm: 0.9 }).feet.left!,
        right: client(260, { waistGirthMm: 0.94 }).feet.left!,
      },
    }
    expect(waist([both])).toMatchObject({ clients: 1, median: expect.closeTo(0.92, 9) })
  })

  it('part children from adults by their age on that day, and sizes by length', () => {
    const child = client(210, { waistGirthMm: 0.99 }, { bornOn: '2016-01-01' })
    const grown = client(270, { waistGirthMm: 0.9 }, { bornOn: '1980-01-01' })
    const unknown = client(235, { waistGirthMm: 0.92 })
    const all = [child, grown, unknown]
    expect(waist(all)!.clients).toBe(2)
    expect(waist(all, null, 'child')).toMatchObject({ clients: 1, median: expect.closeTo(0.99, 9) })
    expect(waist(all, 'large')!.clients).toBe(1)
    expect(waist(all, 'small')!.clients).toBe(1)
    expect(waist(all, 'middle')).toBeUndefined()
    expect([239.9, 240, 264.9, 265].map((mm) => sizeGroupOf(mm, [240, 265]))).toEqual([
      'small',
      'middle',
      'middle',
      'large',
    ])
  })

  it('say nothing of a client without a length', () => {
    const none = { on: '2026-11-01', feet: { left: { readings: [taken('heelWidthMm', 64)] } } }
    expect(ownShares([none as never, { on: '2026-11-01', feet: {} }], OWN)).toEqual([])
  })
})

describe('where one lies among them', () => {
  test.each([
    [0.29, 0],
    [0.3, 0],
    [0.34, 50],
    [0.36, 75],
    [0.38, 100],
    [0.5, 100],
  ])('%d is %d of a hundred', (value, percentile) => {
    expect(percentileIn([0.3, 0.34, 0.38], value)).toBeCloseTo(percentile, 6)
  })

  it('is about as many of a hundred as are really below', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 800, max: 1000 }), { minLength: 60, maxLength: 120 }),
        fc.integer({ min: 800, max: 1000 }),
        (shares, at) => {
          const row = waist(shares.map((s) => client(250, { waistGirthMm: s / 1000 })))!
          const truly = (100 * shares.filter((s) => s < at).length) / shares.length
          expect(Math.abs(percentileIn(row.quantiles, at / 1000) - truly)).toBeLessThan(6)
        },
      ),
    ))

  it('is told of the own size from 50 on, else of all, else not', () => {
    const of = { what: 'waistGirthMm', share: 0.92, lengthMm: 250, child: false } as const
    const place = (clients: OwnClient[]) => placeAmong(ownShares(clients, OWN), of, OWN)
    const rising = (i: number) => 0.9 + 0.0004 * i
    expect(place(many(49, rising))).toBeNull()
    expect(place(many(50, rising))).toMatchObject({ clients: 50, size: 'middle' })
    const mixed = [...many(30, rising), ...many(30, rising, 280)]
    expect(place(mixed)).toMatchObject({ clients: 60, size: null })
    // Grown feet tell nothing of a child.
    const shares = ownShares(many(60, rising), OWN)
    expect(placeAmong(shares, { ...of, child: true }, OWN)).toBeNull()
  })
})

describe('what they offer for the tables', () => {
  const offers = (clients: OwnClient[]) => ownOffers(ownShares(clients, OWN), HOUSE_TABLES)
  const rising = (count: number) => many(count, (i) => 0.86 + (0.1 * i) / (count - 1))

  it('norms from 100 clients, classes from 50, and how many are missing before', () => {
    const missing = (count: number) => offers(rising(count)).map((o) => [o.what, o.missing])
    expect(missing(49)).toEqual([
      ['usual share of foot length', 51],
      ['low below, high above', 1],
    ])
    expect(missing(100)).toEqual([
      ['usual share of foot length', 0],
      ['low below, high above', 0],
    ])
  })

  it('the middle and its spread, the shares that are low and high', () => {
    const [usual, classes] = offers(rising(101))
    expect(usual!.take.ratioToLength!.waistGirthMm).toEqual({
      mean: 0.91,
      sd: Number((1.4826 * 0.025).toFixed(3)),
      state: 'own, 101 clients',
    })
    // A fifth of 0.86 … 0.96 from below, and from above.
    expect(classes!.take).toEqual({ waistShare: [0.88, 0.94] })
    expect(classes!.now).toBe('0.89 · 0.95')
  })

  it('every one can be taken into the tables, and changes nothing else', () => {
    const all = Array.from({ length: 120 }, (_, i) =>
      client(230 + (i % 50), {
        waistGirthMm: 0.9 + 0.0005 * i,
        forefootWidthMm: 0.36 + 0.0003 * i,
        archLengthMm: 0.72 + 0.0001 * i,
        heelInstepGirthMm: 1.25 + 0.0004 * i,
        ankleGirthMm: 0.84 + 0.0003 * i,
      }),
    )
    const told = offers(all)
    expect(told.map((o) => o.missing)).toEqual(told.map(() => 0))
    expect(told.length).toBe(10)
    for (const { take } of told) {
      const [key] = Object.keys(take)
      const read = shopTablesSchema.parse({ ...HOUSE_TABLES, ...take })
      expect({ ...read, [key!]: null }).toEqual({ ...HOUSE_TABLES, [key!]: null })
    }
  })

  it('feet that are all alike part no classes and leave no spread of nothing', () => {
    const [usual, classes] = offers(many(120, () => 0.9))
    expect(usual!.take.ratioToLength!.waistGirthMm!.sd).toBe(0.001)
    expect(classes).toBeUndefined()
  })
})
