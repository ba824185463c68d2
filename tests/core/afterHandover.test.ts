import { HOUSE_NORMS, HOUSE_TABLES } from '../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { benchRecords } from '../../demo/benchRecords'
import { demoModels } from '../../demo/catalogue'
import { pastRecords } from '../../demo/pastRecords'
import { DEMO_RECORDS } from '../../demo/records'
import { heatStory, priorOf } from '../../core/bench/heat/heatStory'
import { dueOf } from '../../core/followup/due'
import { fittingForm } from '../../core/formats/papers/fittingForm'
import { monthsLater } from '../../core/record/isoDay'
import { comfortSeries, momentOf, momentsOf } from '../../core/followup/outcomes'
import { givesAfter, linerSeen, packOutForecast } from '../../core/followup/packOutForecast'
import { tableCurve } from '../../core/followup/packOut'
import { priceTableSchema } from '../../core/tables/prices'
import { quoteChanges, quoteLines, quoteSums } from '../../core/followup/quote'
import { clientWaited, rightAtOnce, shopFigures } from '../../core/followup/shopFigures'
import {
  casesOf,
  FEW,
  meanInterval,
  WITHOUT,
  workedCsv,
  workedRows,
  type WorkedCase,
} from '../../core/followup/worked'
import { recordSchema, type FittingRecord } from '../../core/record/schema'
import { probeReading } from '../../server/standins/probe'

const TODAY = '2026-11-25'
const models = demoModels()
const jobs = benchRecords(TODAY)
const past = pastRecords(TODAY)
const mirela = DEMO_RECORDS['mirela-stanhope']!

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

describe('after the handover', () => {
  it('the guarantee ends on a day that exists', () => {
    expect([
      monthsLater('2026-01-31', 1),
      monthsLater('2024-02-29', 12),
      monthsLater('2026-11-25', 12),
    ]).toEqual(['2026-02-28', '2025-02-28', '2027-11-25'])
  })
  it("answers belong to two weeks, six weeks or season's end", () => {
    expect(
      ['2026-11-05', '2026-11-16', '2026-12-01', '2027-03-01'].map(
        (on) => momentOf('2026-11-02', on)?.id,
      ),
    ).toEqual([undefined, 'twoWeeks', 'sixWeeks', 'season'])
    expect(momentsOf(mirela).map((m) => [m.moment.id, m.dueOn, m.answer?.on])).toEqual([
      ['twoWeeks', '2026-11-16', '2026-11-16'],
      ['sixWeeks', '2026-12-14', undefined],
      ['season', '2027-04-01', undefined],
    ])
    expect(momentsOf(DEMO_RECORDS['juno-abara']!)).toEqual([])
    expect(comfortSeries(mirela)).toMatchObject({ change: 19, counts: 10, verdict: 'better' })
  })
  it('one question is due at a time, late ones are let go, and what is answered is not asked', () => {
    const on = (day: string, followups = mirela.followups) =>
      dueOf({ ...mirela, followups, handover: { ...mirela.handover, nextVisitOn: undefined } }, day)
        .filter((d) => d.kind === 'outcome')
        .map((d) => [d.words, d.lateDays])
    expect(on('2026-11-20')).toEqual([])
    expect(on('2026-11-20', [])).toEqual([['ask how it goes: two weeks', 4]])
    expect(on('2026-12-10', [])).toEqual([['ask how it goes: six weeks', -4]])
    expect(on('2027-02-20', [])).toEqual([])
    expect(dueOf(mirela, '2026-11-25').find((d) => d.kind === 'visit')).toMatchObject({
      on: '2026-11-25',
      lateDays: 0,
    })
    expect(
      dueOf(
        {
          ...mirela,
          handover: { on: '2026-11-02', guaranteeUntil: '2026-12-10' },
          followups: mirela.followups,
        },
        TODAY,
      ).map((d) => d.kind),
    ).toContain('guarantee')
  })
  it('a child is reminded of before the footwear is outgrown, by all lengths there are', () => {
    const juno = { ...structuredClone(DEMO_RECORDS['juno-abara']!), handover: { on: '2026-06-01' } }
    // 0.8 mm a month and 199 mm: 204 mm of room left before 208 − 4 is passed in 6.25 months.
    const lengths = {
      left: [
        { on: '2025-11-25', lengthMm: 189.4 },
        { on: '2026-11-25', lengthMm: 199 },
      ],
    }
    const due = (today: string) =>
      dueOf(juno, today, { lengths, insideMm: { left: 208 } }).filter((d) => d.kind === 'outgrown')
    expect(due('2026-12-01')).toEqual([])
    const [item] = due('2027-05-01')
    expect(item!.on.slice(0, 7)).toBe('2027-06')
    expect(item!.words).toMatch(/left footwear outgrown \(as early as 2027-0[1-5]/)
  })
  it('the form holds readings, devices, shell and checks, and a dash for what was not taken', () => {
    const form = fittingForm(mirela, models)
    expect(form.sections.map((s) => s.title)).toEqual([
      'Readings',
      'Found',
      'Devices',
      'Shell',
      'Handover',
    ])
    expect(
      form.sections[0]!.rows.find((r) => r[0].includes('standing') && /length/i.test(r[0])),
    ).toEqual([expect.stringMatching(/length, standing/i), '240.3 mm', '241.3 mm'])
    expect(form.sections[3]!.rows[1]).toEqual(['Gap behind the heel', '–', '–'])
    expect(form.sections[4]!.lines).toContain('Toes: not looked at')
  })
})

describe('a liner', () => {
  const record = recordSchema.parse({
    ...structuredClone(DEMO_RECORDS['tove-marchetti']!),
    footwear: {
      sockMm: 1,
      chosen: { model: 'fern-traverse-99', sizeLeftMm: 265, sizeRightMm: 270 },
    },
  })
  const model = models.find((m) => m.id === 'fern-traverse-99')!
  it('packs out by the house curve until it is measured, and more room comes with the days', () => {
    const at = (days: number) => packOutForecast(record, model, days)
    expect(at(0).curve).toEqual(tableCurve(HOUSE_NORMS))
    const [fresh, later] = [at(0).lines, at(10).lines]
    expect(fresh.length).toBeGreaterThan(4)
    for (const line of fresh) {
      const same = later.find((l) => l.side === line.side && l.station === line.station)!
      expect(line.nowMm).toBeCloseTo(line.newMm, 9)
      expect(same.nowMm).toBeGreaterThan(line.nowMm)
      if (line.roomyDays !== null && line.looseDays !== null)
        expect(line.looseDays).toBeGreaterThanOrEqual(line.roomyDays)
    }
    // Soonest first by what packing out does; what was roomy as new stands behind.
    const gives = fresh.map(givesAfter)
    expect(gives.filter((d) => d !== null)).toEqual(
      [...gives].filter((d) => d !== null).sort((a, b) => a! - b!),
    )
    expect(gives.slice(gives.indexOf(null)).every((d) => d === null)).toBe(true)
    expect(givesAfter({ ...fresh[0]!, roomyDays: 0, looseDays: null })).toBeNull()
    // A heel liner of 8 mm a side has lost half of its 20 % after ten days: 0.8 mm a side.
    const heel = later.find((l) => l.station === 'heel' && l.side === 'left')!
    expect(heel.nowMm - heel.newMm).toBeCloseTo(0.1 * model.liner.thicknessMm.heel, 6)
  })
  it('measured thinner is loose sooner', () => {
    const thin = {
      ...record,
      followups: [
        { on: '2026-12-01', pain: [], daysUsed: 20, liner: { newMm: 10, nowMm: 6.5 } },
        { on: '2027-01-01', pain: [], daysUsed: 40, liner: { newMm: 10, nowMm: 6 } },
      ],
    } as FittingRecord
    expect(linerSeen(thin)).toEqual([
      { days: 20, share: 0.35 },
      { days: 40, share: 0.4 },
    ])
    const [house, own] = [packOutForecast(record, model, 0), packOutForecast(thin, model, 0)]
    expect(own.curve.endShare).toBeGreaterThan(house.curve.endShare)
    for (const line of own.lines) {
      const same = house.lines.find((l) => l.side === line.side && l.station === line.station)
      if (same?.looseDays != null) expect(line.looseDays).toBeLessThan(same.looseDays)
    }
  })
})

describe('what worked here', () => {
  const all = Object.values(past)
  const cases = all.flatMap((r) => casesOf(r, r.client!.code!))
  it('is told with an interval from ten clients on, else as a list, and those who never came back beside', () => {
    const rows = workedRows(cases)
    const pads = rows.find((r) => r.region === 'ball' && r.modification === 'Met pad')!
    expect([pads.clients, pads.cameBack, pads.neverBack]).toEqual([12, 11, 1])
    // By hand: changes −4 −2 −3 −5 +1 −3 −2 −3 −3 −4 −2 of the eleven; mean −30/11, SD 1.555, t(10)
    // 2.228.
    expect(pads.pain!.mean).toBeCloseTo(-30 / 11, 6)
    expect(pads.pain!.high - pads.pain!.mean).toBeCloseTo((2.228 * 1.5551) / Math.sqrt(11), 1)
    const skives = rows.filter((r) => r.modification === 'Medial heel skive')
    expect(
      skives.every((r) => r.pain === null && r.clients < FEW && r.list.length === r.clients),
    ).toBe(true)
  })
  it('counts one client once a row, and what stood on the foot at the handover, not what was changed later', () => {
    const two = structuredClone(all[0]!)
    two.story!.complaints.push({ foot: 'left', at: 'firstMetHead', score: 2 } as never)
    expect(casesOf(two, 'A')).toHaveLength(1)
    expect(workedRows([...casesOf(two, 'A'), ...casesOf(all[0]!, 'A')])[0]!.clients).toBe(1)
    const changed = structuredClone(all[0]!)
    const foot = changed.feet.right!
    foot.deviceVersions = [
      {
        device: { ...foot.device!, layers: [] },
        words: 'before: pad added',
        at: '2026-11-20T10:00:00Z',
      },
    ]
    expect(casesOf(changed, 'B')[0]!.modifications).toEqual([WITHOUT])
    expect(rightAtOnce(changed)).toBe(false)
    expect(rightAtOnce(all[0]!)).toBe(true)
  })
  it('has intervals that hold the mean and narrow with more clients; nobody who is missing is guessed', () => {
    const one = fc.record({
      before: fc.integer({ min: 1, max: 10 }),
      after: fc.option(fc.integer({ min: 0, max: 10 }), { nil: null }),
    })
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 60 }), (list) => {
        const made = list.map((c, i): WorkedCase => ({
          client: `c${i}`,
          region: 'heel',
          modifications: ['x'],
          painBefore: c.before,
          painAfter: c.after,
          comfortBefore: null,
          comfortAfter: null,
          days: 20,
        }))
        const [row] = workedRows(made)
        expect(row!.clients).toBe(list.length)
        expect(row!.cameBack + row!.neverBack).toBe(list.length)
        expect(row!.pain === null).toBe(row!.cameBack < FEW)
        if (row!.pain)
          expect(row!.pain.low <= row!.pain.mean && row!.pain.mean <= row!.pain.high).toBe(true)
        expect(row!.comfort).toBeNull()
      }),
    )
    const width = (n: number) => {
      const i = meanInterval(Array.from({ length: n }, (_, k) => (k % 2 ? -1 : -3)))!
      return i.high - i.low
    }
    expect(width(40)).toBeLessThan(width(10))
    expect(meanInterval([-3])).toBeNull()
  })
  it('goes out as CSV that a spreadsheet takes for words, not for formulas', () => {
    const csv = workedCsv(
      workedRows([
        {
          client: 'x',
          region: 'ball',
          modifications: ['=cmd()'],
          painBefore: 5,
          painAfter: 2,
          comfortBefore: null,
          comfortAfter: null,
          days: 14,
        },
      ]),
    )
    expect(csv.split('\n')[1]).toBe(`"ball of the foot","'=cmd()",1,1,0,,,,,,`)
  })
  it("knows the shop's figures: waiting between a client's own steps, steps done again, right the first time", () => {
    const record = structuredClone(jobs['wendeline-achterberg']!.record)
    const step = (
      id: string,
      from: string,
      to: string,
      actualMin: number,
      foot?: 'left' | 'right',
      redone?: number,
    ) => ({
      step: `heat-moulded:${id}`,
      ...(foot && { foot }),
      done: true,
      state: 'done' as const,
      startedAt: `${TODAY}T${from}:00.000Z`,
      doneAt: `${TODAY}T${to}:00.000Z`,
      actualMin,
      ...(redone && { redone }),
    })
    record.jobs = [
      step('impression', '10:00', '10:04', 4, 'left'),
      step('impression', '10:04', '10:08', 4, 'right'),
      step('oven', '10:04', '10:10', 6),
      step('place', '10:12', '10:13', 1, 'left', 1),
      step('try', '10:40', '10:43', 3),
    ]
    expect(clientWaited(record, HOUSE_TABLES)).toBe(43 - 12)
    expect(shopFigures([record, ...all], HOUSE_TABLES)).toMatchObject({
      waitingMin: { mean: 31, most: 31, count: 1 },
      redone: { count: 1, of: 5 },
      firstTimeFit: { count: 16, of: 16 },
      neverBack: { count: 2, of: 18 },
    })
  })
})

describe('the heat of a piece', () => {
  const log = (apparatus: string, until: number, seed: number) =>
    Array.from({ length: Math.round(until * 12) + 1 }, (_, k) => ({
      minutes: k / 12,
      celsius: probeReading(apparatus, k / 12, 1, 21, seed),
      drive: 1,
    }))
  const window = { id: 'polypropylene', name: 'sheet', lowC: 160, highC: 168 }
  it('is not foretold from a few seconds, unless the apparatus is known', () => {
    expect(heatStory(log('oven', 0.4, 1), window)).toMatchObject({
      fit: null,
      ahead: null,
      why: expect.stringMatching(/Too early/),
    })
    const prior = priorOf([3, 4, 5].map((seed) => log('oven', 14, seed)))!
    expect([prior.gain, prior.tauMin]).toEqual([expect.closeTo(150, -1), expect.closeTo(6.5, 0)])
    expect(heatStory(log('oven', 0.4, 1), window, prior).ahead!.overshoot).toBe(true)
    expect(heatStory([], window)).toMatchObject({ fit: null, now: null })
    expect(priorOf([log('oven', 2, 1)])).toBeUndefined()
  })
  it('is warned of before it passes the window, with the minutes until it does', () => {
    // 21 + 150 = 171 °C steady, over 168: it leaves at 6.5·ln(150/3) = 25.4 min.
    const { ahead, now, curve } = heatStory(
      log('oven', 9, 2),
      window,
      priorOf([3, 4].map((seed) => log('oven', 14, seed))),
    )
    expect(now!.celsius).toBeLessThan(window.lowC)
    expect(ahead!.overshoot).toBe(true)
    expect(9 + ahead!.leavesMin!).toBeGreaterThan(16)
    expect(9 + ahead!.toWindowMin!).toBeCloseTo(6.5 * Math.log(150 / 11), 0)
    expect(curve.at(-1)!.bandC).toBeGreaterThan(curve[0]!.bandC)
  })
})
