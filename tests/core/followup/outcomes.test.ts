import { describe, expect, it } from 'vitest'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'
import { dueOf } from '../../../core/followup/due'
import { fittingForm } from '../../../core/formats/papers/fittingForm'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { monthsLater } from '../../../core/record/isoDay'
import { comfortSeries, momentOf, momentsOf } from '../../../core/followup/outcomes'

const TODAY = '2026-11-25'
const models = demoModels()
const mirela = DEMO_RECORDS['mirela-stanhope']!

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
        (on) => momentOf('2026-11-02', on, HOUSE_NORMS)?.id,
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
      dueOf(juno, today, { lengths, inside: { left: { lengthMm: 208, leastRoomMm: 4 } } }).filter(
        (d) => d.kind === 'outgrown',
      )
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
