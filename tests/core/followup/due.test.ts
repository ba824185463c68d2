import { describe, expect, it } from 'vitest'
import { dueOf } from '../../../core/followup/due'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { addDays } from '../../../core/record/isoDay'

const HANDED = '2026-03-02'
const after = (days: number) => addDays(HANDED, days)
const record = (more: object = {}, handover: object = {}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: { left: { readings: [] } },
    handover: { on: HANDED, ...handover },
    ...more,
  })
const kinds = (r: ReturnType<typeof record>, today: string) =>
  dueOf(r, today).map(({ kind, on }) => [kind, on])
const ASK = 'outcome'
const answer = (days: number) => ({ followups: [{ on: after(days), pain: [] }] })

describe('asking how it goes', () => {
  it.each([
    [6, null],
    [7, 14],
    [14, 14],
    [34, 14],
    [35, 42],
    [102, 42],
    [103, null],
    [142, null],
    [143, 150],
    [210, 150],
    [211, null],
  ] as const)('%i days after the handover the question is that of day %s', (days, moment) => {
    expect(kinds(record(), after(days))).toEqual(moment === null ? [] : [[ASK, after(moment)]])
  })

  it('is not asked again once it was answered for its moment', () => {
    expect(kinds(record(answer(6)), after(14))).toEqual([[ASK, after(14)]])
    expect(kinds(record(answer(7)), after(14))).toEqual([])
    expect(kinds(record(answer(27)), after(42))).toEqual([[ASK, after(42)]])
    expect(kinds(record(answer(28)), after(42))).toEqual([])
  })

  it('says which, and how late it is', () => {
    expect(dueOf(record(), after(16))).toEqual([
      { kind: ASK, on: after(14), words: 'ask how it goes: two weeks', lateDays: 2 },
    ])
  })

  it('comes on the days of the shop', () => {
    const own = {
      norms: {
        ...HOUSE_NORMS,
        outcomeDays: { ...HOUSE_NORMS.outcomeDays, twoWeeks: { days: 10, from: 5 } },
        dueDays: { ...HOUSE_NORMS.dueDays, outcome: 1 },
      },
    }
    expect(kinds(record(own), after(8))).toEqual([])
    expect(kinds(record(own), after(9))).toEqual([[ASK, after(10)]])
    expect(kinds(record({ ...own, ...answer(5) }), after(10))).toEqual([])
  })

  it('is not asked of a pair that was not handed over', () =>
    expect(dueOf(record({ handover: {} }), after(14))).toEqual([]))
})

describe('the next visit', () => {
  const next = after(20)
  const visits = (more: object, today: string, nextVisitOn = next) =>
    kinds(record(more, { nextVisitOn }), today).filter(([kind]) => kind === 'visit')

  it('is told a week ahead, and let go after sixty days', () => {
    expect(visits({}, after(12))).toEqual([])
    expect(visits({}, after(13))).toEqual([['visit', next]])
    expect(visits({}, after(80))).toEqual([['visit', next]])
    expect(visits({}, after(81))).toEqual([])
  })

  it('came, when somebody was seen on that day or later', () => {
    expect(visits(answer(19), after(20))).toEqual([['visit', next]])
    expect(visits(answer(20), after(20))).toEqual([])
    expect(visits(answer(21), after(25))).toEqual([])
    const both = { followups: [...answer(10).followups, ...answer(22).followups] }
    expect(visits(both, after(25))).toEqual([])
  })

  it('of the handover’s own day or before is none', () => {
    expect(visits({}, after(1), HANDED)).toEqual([])
    expect(visits({}, after(1), after(-1))).toEqual([])
    expect(visits({}, after(1), after(1))).toEqual([['visit', after(1)]])
  })
})

describe('a guarantee', () => {
  const ends = after(300)
  const told = (today: string) =>
    kinds(record({}, { guaranteeUntil: ends }), today).filter(([kind]) => kind === 'guarantee')
  it('is told thirty days ahead, up to its own last day', () => {
    expect(told(after(269))).toEqual([])
    expect(told(after(270))).toEqual([['guarantee', ends]])
    expect(told(ends)).toEqual([['guarantee', ends]])
    expect(told(after(301))).toEqual([])
  })
})

describe('a child that grows', () => {
  // 9.6 mm in a year: 0.8 mm a month is what is usual at nine, so the line is just that.
  const lengths = {
    left: [
      { on: '2025-03-02', lengthMm: 190.4 },
      { on: '2026-03-02', lengthMm: 200 },
    ],
  }
  const child = (handover: object = {}) => record({ client: { bornOn: '2016-09-01' } }, handover)
  const told = (r: ReturnType<typeof record>, today: string, inside = {}) =>
    dueOf(r, today, { lengths, inside }).filter((d) => d.kind !== ASK)

  it('has its device made again ten millimetres on: 12.5 months', () => {
    const [item, ...none] = told(child(), '2027-03-01')
    expect(none).toEqual([])
    expect(item!.kind).toBe('remake')
    expect(item!.on.slice(0, 7)).toBe('2027-03')
    expect(item!.words).toMatch(/^left device or mould 10 mm behind the foot \(as early as 202[67]/)
    expect(told(child(), addDays(item!.on, -60))).toHaveLength(1)
    expect(told(child(), addDays(item!.on, -61))).toEqual([])
  })

  it('outgrows its footwear when less than 4 mm are left: 208 mm inside, 5 months', () => {
    const [item] = told(child(), '2026-08-01', { left: { lengthMm: 208, leastRoomMm: 4 } })
    expect([item!.kind, item!.on.slice(0, 7)]).toEqual(['outgrown', '2026-08'])
    // The right foot has no lengths, so nothing is told of it.
    expect(
      told(child(), '2026-08-01', {
        left: { lengthMm: 208, leastRoomMm: 4 },
        right: { lengthMm: 190, leastRoomMm: 4 },
      }),
    ).toHaveLength(1)
  })

  it('what is sooner is told first', () => {
    const all = told(child(), '2027-03-15', { left: { lengthMm: 208, leastRoomMm: 4 } })
    expect(all.map((d) => d.kind)).toEqual(['outgrown', 'remake'])
    expect(all[0]!.on < all[1]!.on).toBe(true)
  })

  it('is a child no longer at sixteen, and never without a birthday', () => {
    const grown = record({ client: { bornOn: '2005-09-01' } })
    expect(told(grown, '2027-03-01', { left: { lengthMm: 208, leastRoomMm: 4 } })).toEqual([])
    expect(told(record(), '2027-03-01', { left: { lengthMm: 208, leastRoomMm: 4 } })).toEqual([])
  })
})
