import { addDays } from '../../core/record/isoDay'
import { HOUSE_NORMS } from '../../core/record/tables'
import fc from 'fast-check'
import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import { plainDevice } from '../../core/device/buildDevice'
import { deviceDiff } from '../../core/device/deviceDiff'
import { ADJUSTMENTS, AFTER_COMPLAINTS, likelyAdjustments } from '../../core/followup/causes'
import { clientCard } from '../../core/formats/papers/card'
import {
  fitGrowth,
  GROWTH,
  lengthOn,
  monthsBetween,
  outgrown,
  usualGrowthMm,
} from '../../core/followup/growth'
import { fitPackOut, tableCurve, looseAfter, packedOut } from '../../core/followup/packOut'
import { wearInPlan } from '../../core/followup/wearInPlan'
import { wearInCalendar } from '../../server/documents/wearInCalendar'
import { DEMO_RECORDS } from '../../demo/records'

const plain = structuredClone(DEMO_RECORDS['tove-marchetti']!)
for (const side of ['left', 'right'] as const)
  plain.feet[side]!.findings!.mobility = { subtalar: 'usual' }

describe('wearing in', () => {
  it('goes up by an hour a day to a full day, then sport', () => {
    const plan = wearInPlan(plain, '2026-11-26')
    expect(plan.map((d) => d.minutes)).toEqual([60, 120, 180, 240, 300, 360, 420, 480, 480])
    expect([plan[0]!.words, plan[2]!.words, plan[7]!.words, plan[8]!.words]).toEqual([
      '1 to 2 hours',
      '3 hours',
      'a full day',
      'sport',
    ])
    expect([plan[0]!.on, plan[8]!.on]).toEqual(['2026-11-26', '2026-12-04'])
  })
  it('goes slower for children and stiff feet, and by half hours with a condition for feet at risk', () => {
    expect(
      wearInPlan(DEMO_RECORDS['juno-abara']!, '2026-11-26')
        .slice(0, 5)
        .map((d) => d.minutes),
    ).toEqual([60, 60, 120, 120, 180])
    const numb = structuredClone(plain)
    numb.story!.conditions = ['neuropathy']
    numb.feet.left!.findings!.sensationFelt = 5
    const risk = wearInPlan(numb, '2026-11-26')
    expect(risk.slice(0, 3).map((d) => d.minutes)).toEqual([30, 60, 90])
    expect(risk[1]!.only).toContain('redness')
    expect(risk.some((d) => d.words === 'sport')).toBe(false)
  })
  it('is told on the card at the pace of the plan', () => {
    expect(clientCard(plain, '26 November').wearIn[0]).toContain('1 to 2 hours')
    const child = clientCard(DEMO_RECORDS['juno-abara']!, '26 November').wearIn
    expect(child.slice(0, 2)).toEqual([
      'Start on 26 November with 1 hour.',
      'Add one hour every second day.',
    ])
  })
  it('goes out as iCalendar that another reader reads with the right days, across a change of the clock', () => {
    // Clocks go back in the night to 25 October 2026 and forward on 28 March 2027.
    for (const start of ['2026-10-22', '2027-03-25']) {
      const plan = wearInPlan(plain, start)
      const calendar = new ICAL.Component(
        ICAL.parse(
          wearInCalendar(plan, 'Hollin Row Fit Room', 'HR-0412', new Date('2026-10-01T08:00:00Z')),
        ),
      )
      const events = calendar.getAllSubcomponents('vevent').map((v) => new ICAL.Event(v))
      expect(events.map((e) => e.startDate.toString())).toEqual(plan.map((d) => d.on))
      expect(events.every((e) => e.startDate.isDate && e.duration.toSeconds() === 86_400)).toBe(
        true,
      )
      expect(events.map((e) => e.startDate.toString())).toEqual(
        plan.map((_, i) => addDays(start, i)),
      )
      expect(events[0]!.summary).toBe('Footbeds: 1 to 2 hours')
    }
  })
})

describe('packing out', () => {
  it('keeps the house curve: 10 % by day 10, 20 % in the end', () => {
    expect(packedOut(tableCurve(HOUSE_NORMS), 10)).toBeCloseTo(0.1, 12)
    expect(packedOut(tableCurve(HOUSE_NORMS), 20)).toBeCloseTo(0.15, 12)
    expect(packedOut(tableCurve(HOUSE_NORMS), 1e4)).toBeCloseTo(0.2, 12)
  })
  it('says when snug becomes roomy and loose: 8 mm of liner, 0.2 mm of room, band to 1', () => {
    // Room is 0.2 + 8 · 0.2 · (1 − 2^(−d/10)); it passes 1 where 2^(−d/10) = 1/2, so on day 10; 1.8
    // mm in the end is roomy, never loose.
    expect(looseAfter(0.2, 8, [0, 1], tableCurve(HOUSE_NORMS), HOUSE_NORMS)).toEqual({
      roomyDays: expect.closeTo(10, 9),
      looseDays: null,
      endVerdict: 'roomy',
    })
    expect(looseAfter(1.4, 8, [0, 1], tableCurve(HOUSE_NORMS), HOUSE_NORMS).roomyDays).toBe(0)
    expect(looseAfter(-1, 8, [0, 1], tableCurve(HOUSE_NORMS), HOUSE_NORMS)).toEqual({
      roomyDays: null,
      looseDays: null,
      endVerdict: 'right',
    })
  })
  it('learns from what was seen and is not overturned by one reading', () => {
    const truth = { endShare: 0.32, scaleDays: 8, count: 0 }
    const many = fitPackOut(
      [3, 6, 9, 12, 20, 30, 40, 60, 80, 100].map((days) => ({
        days,
        share: packedOut(truth, days),
      })),
      HOUSE_NORMS,
    )
    expect(many.endShare).toBeCloseTo(0.31, 1)
    expect(fitPackOut([{ days: 30, share: 0.6 }], HOUSE_NORMS).endShare).toBeLessThan(0.45)
    expect(fitPackOut([], HOUSE_NORMS)).toEqual(tableCurve(HOUSE_NORMS))
  })
})

describe('any curve of packing out', () => {
  const curve = fc.record({
    endShare: fc.double({ min: 0.02, max: 0.6, noNaN: true }),
    scaleDays: fc.double({ min: 1, max: 90, noNaN: true }),
    count: fc.constant(0),
  })
  it('only loses, never more than its end, and reaches a band on the day it says', () =>
    fc.assert(
      fc.property(
        curve,
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.integer({ min: 1, max: 400 }),
        (c, newMm, day) => {
          // Far out the curve is flat to the last digit.
          if (day < 20 * c.scaleDays)
            expect(packedOut(c, day)).toBeGreaterThan(packedOut(c, day - 1))
          expect(packedOut(c, day)).toBeLessThanOrEqual(c.endShare)
          const { roomyDays, looseDays } = looseAfter(newMm, 8, [-1, 1], c, HOUSE_NORMS)
          if (roomyDays) expect(newMm + 8 * packedOut(c, roomyDays)).toBeCloseTo(1, 6)
          if (looseDays && roomyDays) expect(looseDays).toBeGreaterThan(roomyDays)
          if (roomyDays === null) expect(newMm + 8 * c.endShare).toBeLessThanOrEqual(1 + 1e-9)
        },
      ),
    ))
})

describe('growth', () => {
  it("lies between the default and the child's own line, nearer to whichever is surer", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.integer({ min: 2, max: 17 }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        (own, months, tem) => {
          const on = addDays('2025-06-01', Math.round(months * 30.436875))
          const fit = fitGrowth(
            [
              { on: '2025-06-01', lengthMm: 190 },
              { on, lengthMm: 190 + own * monthsBetween('2025-06-01', on) },
            ],
            '2016-03-01',
            undefined,
            tem,
          )!
          expect(fit.slopeMm).toBeGreaterThanOrEqual(Math.min(own, 0.8) - 1e-9)
          expect(fit.slopeMm).toBeLessThanOrEqual(Math.max(own, 0.8) + 1e-9)
          expect(fit.slopeSdMm).toBeLessThan(GROWTH.priorSdMm)
          const sharper = fitGrowth(
            [
              { on: '2025-06-01', lengthMm: 190 },
              { on, lengthMm: 190 + own * monthsBetween('2025-06-01', on) },
            ],
            '2016-03-01',
            undefined,
            tem / 2,
          )!
          expect(Math.abs(sharper.slopeMm - own)).toBeLessThanOrEqual(
            Math.abs(fit.slopeMm - own) + 1e-9,
          )
        },
      ),
    ))
  it('has its defaults by age and sex', () =>
    expect(
      [
        [2, 'male'],
        [4, 'male'],
        [9, 'female'],
        [13, 'female'],
        [14, 'female'],
        [15, 'male'],
        [16, 'male'],
      ].map(([age, sex]) => usualGrowthMm(age as number, sex as string)),
    ).toEqual([1.5, 1, 0.8, 0.5, 0, 0.5, 0]))
  it('weighs the default and the child by their errors', () => {
    // Two lengths six months apart, 6 mm more: own slope 6/T with T = 181/30.436875 = 5.9467
    // months; Σ(t − t̄)² = T²/2 = 17.68. Precision 17.68 + 1/0.09 = 28.79; (17.68 · 1.00896 +
    // 0.8/0.09)/28.79 = 0.9283 mm a month, SD 0.1864.
    const fit = fitGrowth(
      [
        { on: '2026-01-01', lengthMm: 190 },
        { on: '2026-07-01', lengthMm: 196 },
      ],
      '2017-03-01',
      undefined,
      1,
    )!
    const T = monthsBetween('2026-01-01', '2026-07-01')
    const precision = T ** 2 / 2 + 1 / 0.09
    expect(fit.slopeMm).toBeCloseTo(((T ** 2 / 2) * (6 / T) + 0.8 / 0.09) / precision, 9)
    expect(fit.slopeMm).toBeCloseTo(0.9283, 3)
    expect(fit.slopeSdMm).toBeCloseTo(1 / Math.sqrt(precision), 9)
    // One length alone says nothing of the slope.
    expect(
      fitGrowth([{ on: '2026-07-01', lengthMm: 196 }], '2017-03-01', undefined)!.slopeMm,
    ).toBeCloseTo(0.8, 9)
    // Shrinking is measuring error, not growth; lengths older than 18 months are left out.
    expect(
      fitGrowth(
        [
          { on: '2026-01-01', lengthMm: 240 },
          { on: '2027-01-01', lengthMm: 230 },
        ],
        '2009-01-01',
        'male',
      )!.slopeMm,
    ).toBe(0)
    expect(
      fitGrowth(
        [
          { on: '2020-01-01', lengthMm: 150 },
          { on: '2026-07-01', lengthMm: 196 },
        ],
        '2017-03-01',
        undefined,
      )!.count,
    ).toBe(1)
  })
  it('gives a band that widens, the day the toe room is used up, and the day for a new mould', () => {
    const fit = fitGrowth([{ on: '2026-11-20', lengthMm: 199 }], '2017-03-01', 'female', 1)!
    const soon = lengthOn(fit, '2026-12-20')
    const later = lengthOn(fit, '2027-11-20')
    expect(later.lengthMm - 199).toBeCloseTo(0.8 * monthsBetween('2026-11-20', '2027-11-20'), 9)
    expect(soon.highMm - soon.lowMm).toBeCloseTo(
      2 * 1.96 * Math.sqrt(2 + (0.3 * monthsBetween('2026-11-20', '2026-12-20')) ** 2),
      9,
    )
    expect(later.highMm - later.lowMm).toBeGreaterThan(soon.highMm - soon.lowMm)
    // 210 inside and 5 mm least room: at 205 mm, 6 mm more, so after 7.5 months = 228.3 days.
    const when = outgrown(fit, '2026-11-20', { insideMm: 210, leastRoomMm: 5, madeAtMm: 199 })
    expect(when.footwear!.expected).toBe(addDays('2026-11-20', 229))
    expect(when.footwear!.earliest! < when.footwear!.expected!).toBe(true)
    expect(when.remake!.expected).toBe(addDays('2026-11-20', 381))
    expect(fitGrowth([], '2017-03-01', undefined)).toBeNull()
  })
})

describe('from complaint to change', () => {
  it('has a cause and a smallest change for every complaint, each one difference to the device or none', () => {
    expect(ADJUSTMENTS.map((a) => a.complaint)).toEqual([...AFTER_COMPLAINTS])
    for (const a of ADJUSTMENTS)
      if (a.next)
        expect(
          deviceDiff(plainDevice(), a.next(plainDevice()), HOUSE_NORMS),
          a.complaint,
        ).toHaveLength(1)
    // A heel that lifts and toes that go numb are the boot's, not the device's.
    expect(ADJUSTMENTS.filter((a) => !a.next).map((a) => a.complaint)).toEqual([
      'heelLifts',
      'toesNumb',
      'blackNail',
    ])
  })
  it('changes what is there by its step, up to a limit', () => {
    const rolls = ADJUSTMENTS.find((a) => a.complaint === 'rollsIn')!
    const device = DEMO_RECORDS['tove-marchetti']!.feet.left!.device!
    expect(rolls.next!(device).layers.find((l) => l.kind === 'medialSkive')).toMatchObject({
      depthMm: 3,
    })
    let deep = device
    for (let i = 0; i < 9; i++) deep = rolls.next!(deep)
    expect(deep.layers.find((l) => l.kind === 'medialSkive')).toMatchObject({ depthMm: 6 })
  })
  it('speaks for what hurts still, worst first, and is silent about what got better', () => {
    const pain = [
      { foot: 'left', at: 'archPlantar', score: 3, verdict: 'no change' },
      { foot: 'right', at: 'secondMetHead', score: 6, verdict: 'worse' },
      { foot: 'right', at: 'heelPlantar', score: 7, verdict: 'better' },
      { foot: 'left', at: 'instep', score: 2, verdict: 'no change' },
    ] as const
    expect(likelyAdjustments(plain, pain).map((x) => [x.foot, x.adjustment.complaint])).toEqual([
      ['right', 'headHurts'],
      ['left', 'archPresses'],
    ])
  })
})
