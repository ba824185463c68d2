import { describe, expect, it } from 'vitest'
import { dueOf, isReplaced } from '../../../core/followup/due'
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
      {
        kind: ASK,
        key: 'outcome twoWeeks',
        on: after(14),
        words: 'ask how it goes: two weeks',
        lateDays: 2,
      },
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

describe('what waits for somebody', () => {
  const quote = (more: object = {}) => ({
    id: 'q1',
    on: '2026-03-02',
    validUntil: '2026-04-01',
    currency: '€',
    withTax: true,
    guaranteeMonths: 12,
    lines: [{ words: 'Insoles', count: 1, amount: 100, taxPercent: 20 }],
    ...more,
  })
  const open = (more: object) => record(more, { on: undefined })
  it('is a quote that nobody answered, until it is answered, given anew, or handed over', () => {
    const told = (quotes: object[], handover = {}, day = '2026-04-02') =>
      kinds(record({ quotes }, { on: undefined, ...handover }), day).filter(([k]) => k === 'quote')
    expect(told([quote()])).toEqual([['quote', '2026-04-01']])
    expect(told([quote()], {}, '2026-03-31')).toEqual([])
    expect(told([quote({ answer: 'accepted' })])).toEqual([])
    expect(told([quote(), quote({ id: 'q2', answer: 'declined' })])).toEqual([])
    expect(told([quote()], { on: '2026-03-20' })).toEqual([])
  })
  it('is a lab that has not kept its day, until everything is made', () => {
    const orders = [
      {
        id: 'o1',
        lab: 'Stand-in lab',
        feet: ['left'],
        answer: { status: 'accepted', dueOn: '2026-03-20' },
      },
      {
        id: 'o2',
        lab: 'Stand-in lab',
        feet: ['left'],
        answer: { status: 'cancelled', dueOn: '2026-03-10' },
      },
    ]
    const told = (steps: { state: 'open' | 'done' }[]) =>
      dueOf(open({ orders }), '2026-03-22', { steps }).filter((d) => d.kind === 'lab')
    expect(told([{ state: 'open' }])).toMatchObject([
      { key: 'lab o1', on: '2026-03-20', lateDays: 2, words: 'Stand-in lab promised it' },
    ])
    expect(told([{ state: 'done' }])).toEqual([])
  })
  it('is what was made and not collected, a week after its last step', () => {
    const steps = ['2026-03-02T10:00:00Z', '2026-03-04T10:00:00Z'].map((doneAt) => ({
      state: 'done' as const,
      entry: { step: 'x', done: true, doneAt },
    }))
    const told = (day: string, all = steps as never[], handover = {}) =>
      dueOf(record({}, { on: undefined, ...handover }), day, { steps: all }).filter(
        (d) => d.kind === 'uncollected',
      )
    expect(told('2026-03-10')).toEqual([])
    expect(told('2026-03-12')).toMatchObject([{ on: '2026-03-11', lateDays: 1 }])
    expect(told('2026-03-12', [...steps, { state: 'open' }] as never[])).toEqual([])
    expect(told('2026-03-12', steps as never[], { on: '2026-03-05' })).toEqual([])
    expect(told('2026-03-12', [])).toEqual([])
  })
})

describe('an outgrown pair', () => {
  const pair = (on: string | undefined, more: object = {}, activity = 'figure-skating') =>
    record({ story: { activity }, footwear: { chosen: { model: 'm' } }, ...more }, { on })
  it('is nobody’s any more once another for the same is handed over', () => {
    const old = pair('2026-01-01')
    expect(isReplaced(old, [old])).toBe(false)
    expect(isReplaced(old, [old, pair('2026-06-01')])).toBe(true)
    // One for something else, one that is only begun, an older one, one that came back: it is worn on.
    expect(isReplaced(old, [pair('2026-06-01', {}, 'walking')])).toBe(false)
    expect(isReplaced(old, [pair(undefined)])).toBe(false)
    expect(isReplaced(old, [pair('2025-06-01')])).toBe(false)
    const back = record(
      { story: { activity: 'figure-skating' }, footwear: { chosen: { model: 'm' } } },
      { on: '2026-06-01', footwearBackOn: '2026-06-02' },
    )
    expect(isReplaced(old, [back])).toBe(false)
    expect(
      isReplaced(old, [record({ story: { activity: 'figure-skating' } }, { on: '2026-06-01' })]),
    ).toBe(false)
  })
})
