import { describe, expect, it } from 'vitest'
import { lanesOf } from '../../../core/bench/lanes'
import type { PlacedStep } from '../../../core/bench/schedule/schedule'
import { skinGaps } from '../../../core/bench/skinGaps'
import { actualMin, leftMs, leftWords, rings, type Timer } from '../../../core/bench/timer'
import { wearerOf } from '../../../core/bench/wearer'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_TABLES } from '../../../core/record/tables'

describe('lanes of a resource', () => {
  const step = (job: string, start: string, end: string, needs = ['people']): PlacedStep =>
    ({ job, step: `${job}${start}`, start, end, needs }) as PlacedStep
  const rows = (plan: PlacedStep[], count: number, more = {}) =>
    lanesOf(plan, 'people', count, more).map((b) => [b.step, b.row])

  it('are taken from the first on, and no row twice at once', () => {
    expect(
      rows(
        [step('a', '08:00', '09:00'), step('b', '08:30', '09:30'), step('c', '09:00', '10:00')],
        2,
      ),
    ).toEqual([
      ['a08:00', 0],
      ['b08:30', 1],
      ['c09:00', 0],
    ])
  })
  it('the same hands go on with the same job', () => {
    const plan = [
      step('a', '08:00', '09:00'),
      step('b', '08:00', '09:00'),
      step('b', '09:00', '10:00'),
      step('a', '09:00', '10:00'),
    ]
    const row = new Map(rows(plan, 2) as [string, number][])
    expect([row.get('a09:00'), row.get('b09:00')]).toEqual([row.get('a08:00'), row.get('b08:00')])
  })
  it('who is known to do it does it; who is liked comes before who is free', () => {
    const plan = [step('a', '08:00', '09:00')]
    expect(rows(plan, 3, { known: new Map([['a\na08:00', 2]]) })).toEqual([['a08:00', 2]])
    expect(rows(plan, 3, { first: () => [1] })).toEqual([['a08:00', 1]])
  })
  it('the liked row counts more than the job it came from', () => {
    const plan = [step('a', '08:00', '09:00'), step('a', '09:00', '10:00')]
    const likes = (s: PlacedStep) => (s.start === '09:00' ? [1] : [0])
    expect(rows(plan, 2, { first: likes })).toEqual([
      ['a08:00', 0],
      ['a09:00', 1],
    ])
  })
  it('beyond the count the row that is free soonest is booked twice', () => {
    const plan = [
      step('a', '08:00', '10:00'),
      step('b', '08:00', '09:00'),
      step('c', '08:30', '09:30'),
    ]
    // By their start, then their end: b, a, c. When c begins both are taken; b is over first.
    expect(rows(plan, 2)).toEqual([
      ['b08:00', 0],
      ['a08:00', 1],
      ['c08:30', 0],
    ])
  })
  it('steps that do not need it have none, and a count of nought is one', () => {
    expect(rows([step('a', '08:00', '09:00', ['oven'])], 2)).toEqual([])
    expect(rows([step('a', '08:00', '09:00')], 0)).toEqual([['a08:00', 0]])
  })
})

describe('a timer', () => {
  const timer = (more: Partial<Timer>) =>
    ({
      state: 'running',
      startedAt: 0,
      endsAt: 60_000,
      leftMs: null,
      stoppedAt: null,
      ...more,
    }) as Timer
  it('rings from its end on, and only while it runs', () => {
    expect([59_999, 60_000, 60_001].map((now) => rings(timer({}), now))).toEqual([
      false,
      true,
      true,
    ])
    expect(rings(timer({ state: 'stopped' }), 70_000)).toBe(false)
  })
  it('has left what is left, paused what was left', () => {
    expect(leftMs(timer({}), 45_000)).toBe(15_000)
    expect(leftMs(timer({}), 75_000)).toBe(-15_000)
    expect(leftMs(timer({ state: 'paused', endsAt: null, leftMs: 20_000 }), 75_000)).toBe(20_000)
    expect(leftMs(timer({ state: 'stopped', leftMs: null }), 75_000)).toBe(0)
  })
  it('is told in minutes and seconds, with a plus once it is over', () => {
    expect([0, 65_000, 600_000, -5_000, -65_000, -400].map(leftWords)).toEqual([
      '0:00',
      '1:05',
      '10:00',
      '+0:05',
      '+1:05',
      '0:00',
    ])
  })
  it('took what it took, once it was stopped', () => {
    expect(actualMin(timer({ startedAt: 60_000, stoppedAt: 360_000 }))).toBe(5)
    expect(actualMin(timer({}))).toBeNull()
  })
})

describe('warm skin', () => {
  const ADULT = { child: false, noHeat: false, marginK: 0 }
  const step = (more: object = {}) => ({ key: 'fit', state: 'open', skinMin: 1, ...more }) as never
  const job = (more: object) => ({ step: 'fit', done: false, state: 'running', ...more }) as never
  const gaps = (steps: never[], jobs: never[], wearer = ADULT) =>
    skinGaps(steps, jobs, wearer).length

  it('a step on it begins with a temperature that skin bears', () => {
    expect(gaps([step()], [job({ celsius: 40 })])).toBe(0)
    expect(gaps([step()], [job({})])).toBe(1)
    expect(gaps([step()], [job({ celsius: 80 })])).toBe(1)
    expect(gaps([step()], [job({ celsius: 40 })], { ...ADULT, noHeat: true })).toBe(1)
  })
  it('one that does not touch skin, or has not begun, asks nothing', () => {
    expect(gaps([step({ skinMin: undefined })], [job({})])).toBe(0)
    expect(gaps([step()], [])).toBe(0)
    expect(gaps([step()], [job({ state: 'skipped' })])).toBe(0)
  })
  it('what stood so before is left as it is', () => {
    expect(gaps([step({ state: 'running' })], [job({})])).toBe(0)
    expect(gaps([step({ state: 'running' })], [job({ state: 'done', done: true })])).toBe(1)
  })
})

describe('who wears it', () => {
  const wearer = (more: object) =>
    wearerOf(
      parseRecord({
        format: 'gentle-arch/fitting',
        version: 1,
        visit: { on: '2026-11-01' },
        feet: { left: { readings: [] } },
        ...more,
      }),
      HOUSE_TABLES,
    )
  it('a child has the child’s margin', () => {
    const { child, adult } = HOUSE_TABLES.skinMarginK
    expect(wearer({ client: { bornOn: '2016-01-01' } })).toMatchObject({
      child: true,
      marginK: child,
    })
    expect(wearer({ client: { bornOn: '1980-01-01' } })).toMatchObject({
      child: false,
      marginK: adult,
    })
  })
  it('a foot at risk has no heat on it', () => {
    expect(wearer({ story: { conditions: ['neuropathy'] } }).noHeat).toBe(true)
    expect(wearer({}).noHeat).toBe(false)
  })
})
