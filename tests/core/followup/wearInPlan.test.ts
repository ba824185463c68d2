import { addDays } from '../../../core/record/isoDay'
import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import { clientCard } from '../../../core/formats/papers/card'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { wearInPlan } from '../../../core/followup/wearInPlan'
import { wearInCalendar } from '../../../server/documents/wearInCalendar'
import { DEMO_RECORDS } from '../../../demo/records'

const plain = structuredClone(DEMO_RECORDS['tove-marchetti']!)

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
  it('goes at the pace of the shop, in the plan and on the card', () => {
    type Pace = (typeof HOUSE_NORMS)['wearInPaces']['usual']
    const at = (pace: Pace) => ({
      ...plain,
      norms: {
        ...HOUSE_NORMS,
        wearInPaces: { ...HOUSE_NORMS.wearInPaces, usual: pace, fullDayMin: 240 },
      },
    })
    const slow = at({ firstMin: 45, addMin: 45, everyDays: 3 })
    expect(wearInPlan(slow, '2026-11-26').map((d) => d.minutes)).toEqual([
      45, 45, 45, 90, 90, 90, 135, 135, 135, 180, 180, 180, 225, 225, 225, 240, 240,
    ])
    expect(wearInPlan(slow, '2026-11-26')[3]!.words).toBe('1.5 hours')
    expect(clientCard(slow, '26 November').wearIn.slice(0, 2)).toEqual([
      'Start on 26 November with 45 to 90 minutes.',
      'Add 45 minutes every 3 days.',
    ])
    const quick = at({ firstMin: 120, addMin: 120, everyDays: 1 })
    expect(clientCard(quick, '26 November').wearIn.slice(0, 2)).toEqual([
      'Start on 26 November with 2 to 4 hours.',
      'Add 2 hours each day.',
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
