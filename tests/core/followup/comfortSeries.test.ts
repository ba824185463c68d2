import { describe, expect, it } from 'vitest'
import { comfortSeries, momentOf, momentsOf } from '../../../core/followup/outcomes'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'

const record = (followups: object[], handedOver?: string) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: { left: { readings: [] } },
    followups: followups.map((f) => ({ pain: [], ...f })),
    ...(handedOver && { handover: { on: handedOver } }),
  })
const at = (day: number, comfort?: number) => ({
  on: `2026-11-${String(day).padStart(2, '0')}`,
  ...(comfort !== undefined && { comfort }),
})

describe('comfort over time', () => {
  const { comfortChange } = HOUSE_NORMS
  const verdict = (first: number, last: number) => {
    const { change, verdict: said } = comfortSeries(record([at(1, first), at(9, last)]))
    return [change, said]
  }
  it('believes a change from its least on', () => {
    expect(verdict(50, 50 + comfortChange)).toEqual([comfortChange, 'better'])
    expect(verdict(50, 50 - comfortChange)).toEqual([-comfortChange, 'worse'])
    expect(verdict(50, 50 + comfortChange - 1)).toEqual([comfortChange - 1, 'no change'])
    expect(verdict(50, 50)).toEqual([0, 'no change'])
  })
  it('reads visits by their days and leaves out those that were not asked', () => {
    const { points, change } = comfortSeries(record([at(20, 80), at(5), at(10, 40), at(1, 50)]))
    expect(points.map((p) => p.comfort)).toEqual([50, 40, 80])
    expect(change).toBe(30)
  })
  it('is held against the last value on or before the handover', () => {
    const visits = [at(1, 50), at(10, 40), at(20, 80)]
    const change = (on: string) => comfortSeries(record(visits, on)).change
    expect(change('2026-11-10')).toBe(40)
    expect(change('2026-11-09')).toBe(30)
    expect(change('2026-10-01')).toBe(30)
    expect(comfortSeries(record(visits, '2026-11-20'))).toMatchObject({
      change: null,
      verdict: 'first value',
    })
  })
  it('with one value, or none, has nothing to tell', () => {
    expect(comfortSeries(record([at(1, 50)]))).toMatchObject({
      points: [{ on: '2026-11-01', comfort: 50 }],
      change: null,
      verdict: 'first value',
    })
    expect(comfortSeries(record([]))).toMatchObject({ points: [], change: null })
  })
})

describe('moments after a handover', () => {
  it('stand from their first day on', () => {
    const moment = (on: string) => momentOf('2026-01-01', on, HOUSE_NORMS)?.id ?? null
    expect(moment('2026-01-07')).toBeNull()
    expect(moment('2026-01-08')).toBe('twoWeeks')
    expect(moment('2026-01-28')).toBe('twoWeeks')
    expect(moment('2026-01-29')).toBe('sixWeeks')
    expect(moment('2026-04-10')).toBe('sixWeeks')
    expect(moment('2026-04-11')).toBe('season')
  })
  it('are answered by the last visit of their time, not by the handover’s own day', () => {
    const answers = (...visits: object[]) =>
      momentsOf(record(visits, '2026-11-01')).map((m) => m.answer?.on ?? null)
    expect(answers(at(1, 50))).toEqual([null, null, null])
    expect(answers(at(20), at(8))).toEqual(['2026-11-20', null, null])
    expect(answers(at(8), at(30))).toEqual(['2026-11-08', '2026-11-30', null])
    expect(momentsOf(record([at(8)]))).toEqual([])
  })
})
