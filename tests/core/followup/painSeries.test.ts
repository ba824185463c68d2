import { describe, expect, it } from 'vitest'
import { painSeries } from '../../../core/followup/painSeries'
import { parseRecord } from '../../../core/record/parse'

const heel = (score: number, foot = 'left') => ({ foot, at: 'heelPlantar', score })
const visit = (on: string, ...pain: object[]) => ({ on, pain })
const record = ({
  told = [heel(6)],
  visits = [],
  handedOver,
  startOn = '2026-11-01',
}: {
  told?: object[]
  visits?: object[]
  handedOver?: string
  startOn?: string | null
}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: { left: { readings: [] }, right: { readings: [] } },
    ...(startOn && { visit: { on: startOn } }),
    story: { complaints: told, conditions: [] },
    followups: visits,
    ...(handedOver && { handover: { on: handedOver } }),
  })
const verdictOf = (...scores: number[]) => {
  const [first, ...later] = scores
  const visits = later.map((score, i) => visit(`2026-11-${10 + i}`, heel(score)))
  const [series] = painSeries(record({ told: [heel(first!)], visits }))
  return [series!.change, series!.verdict]
}

describe('pain at one place over time', () => {
  it('begins with what was told at the visit, and has no change yet', () => {
    expect(painSeries(record({}))).toEqual([
      {
        foot: 'left',
        at: 'heelPlantar',
        points: [{ on: '2026-11-01', score: 6 }],
        change: null,
        verdict: 'first value',
      },
    ])
  })

  it('believes a change of two points and none of one', () => {
    expect(verdictOf(6, 5)).toEqual([-1, 'no change'])
    expect(verdictOf(6, 7)).toEqual([1, 'no change'])
    expect(verdictOf(6, 4)).toEqual([-2, 'better'])
    expect(verdictOf(6, 8)).toEqual([2, 'worse'])
    expect(verdictOf(6, 6)).toEqual([0, 'no change'])
  })

  it('tells the last against the first, whatever was between', () =>
    expect(verdictOf(6, 9, 1, 4)).toEqual([-2, 'better']))

  it('has one series a place and foot, in the order they were told', () => {
    const series = painSeries(
      record({
        told: [heel(6), heel(3, 'right'), { foot: 'left', at: 'instep', score: 2 }],
        visits: [visit('2026-11-10', heel(2, 'right'))],
      }),
    )
    expect(series.map((s) => [s.foot, s.at, s.points.length])).toEqual([
      ['left', 'heelPlantar', 1],
      ['right', 'heelPlantar', 2],
      ['left', 'instep', 1],
    ])
  })

  it('leaves out what has no score, and takes a place that only a later visit names', () => {
    const series = painSeries(
      record({
        told: [{ foot: 'left', at: 'instep' }],
        visits: [visit('2026-11-10', heel(4))],
      }),
    )
    expect(series.map((s) => [s.at, s.points])).toEqual([
      ['heelPlantar', [{ on: '2026-11-10', score: 4 }]],
    ])
  })

  it('reads visits by their days, however they are kept', () => {
    const [series] = painSeries(
      record({ visits: [visit('2026-11-20', heel(1)), visit('2026-11-10', heel(4))] }),
    )
    expect(series!.points.map((p) => p.score)).toEqual([6, 4, 1])
    expect(series!.change).toBe(-5)
  })

  it('a visit on the day of the story replaces what was told', () => {
    const [series] = painSeries(record({ visits: [visit('2026-11-01', heel(7))] }))
    expect(series!.points).toEqual([{ on: '2026-11-01', score: 7 }])
    expect(series!.verdict).toBe('first value')
  })

  it('without a day of the visit the story stands before everything', () => {
    const [series] = painSeries(record({ startOn: null, visits: [visit('1999-01-01', heel(2))] }))
    expect(series!.points.map((p) => p.score)).toEqual([6, 2])
  })
})

describe('the value at handover', () => {
  const visits = [visit('2026-11-10', heel(9)), visit('2026-11-20', heel(4))]
  const change = (handedOver: string) => painSeries(record({ visits, handedOver }))[0]!.change

  it('is the last one on or before that day', () => {
    expect(change('2026-11-10')).toBe(4 - 9)
    expect(change('2026-11-19')).toBe(4 - 9)
    expect(change('2026-11-09')).toBe(4 - 6)
  })

  it('is the first of all where nothing was told before', () =>
    expect(change('2026-10-01')).toBe(4 - 6))

  it('where it is the last of all there is no change to tell', () => {
    const [series] = painSeries(record({ visits, handedOver: '2026-11-20' }))
    expect([series!.change, series!.verdict]).toEqual([null, 'first value'])
  })
})

it('what counts as a change is the record’s own table', () => {
  const own = record({ visits: [visit('2026-11-10', heel(3))] })
  own.norms = { ...own.norms, painChange: 4 } as never
  expect(painSeries(own)[0]!.verdict).toBe('no change')
})

it('nothing told is nothing', () => {
  expect(
    painSeries(
      parseRecord({ format: 'gentle-arch/fitting', version: 1, feet: { left: { readings: [] } } }),
    ),
  ).toEqual([])
})
