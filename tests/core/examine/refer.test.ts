import { describe, expect, it } from 'vitest'
import { riskOf } from '../../../core/examine/risk'
import type { Findings } from '../../../core/kinds/findings/all'
import { parseRecord } from '../../../core/record/parse'

interface Told {
  left?: Findings
  right?: Findings
  conditions?: string[]
  more?: object
}
const risk = ({ left, right, conditions = [], more = {} }: Told) =>
  riskOf(
    parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: {
        ...(left && { left: { readings: [], findings: left } }),
        ...(right && { right: { readings: [], findings: right } }),
      },
      story: { complaints: [], conditions },
      ...more,
    }),
  )
const codes = (told: Told) => risk(told).refers.map((r) => r.code)

describe('one foot', () => {
  it.each([
    ['wound-left', { marks: [mark('wound')] }, { marks: [mark('corn')] }],
    ['wound-left', { marks: [mark('corn'), mark('wound')] }, {}],
    ['pulse-left', { pulses: 'absent' }, { pulses: 'weak' }],
    ['hot-left', { skin: 'hot' }, { skin: 'cold' }],
    ['heel-raise-left', { heelRaise: { count: 0 } }, { heelRaise: { count: 1 } }],
    ['heel-raise-left', { heelRaise: { inverts: false } }, { heelRaise: { inverts: true } }],
    [
      'stocking-left',
      { numbness: { toes: [], bothLikeStocking: true } },
      { numbness: { toes: [1] } },
    ],
  ] as [string, Findings, Findings][])(
    '%s is told of what is so and not of what is near',
    (code, so, near) => {
      expect(codes({ left: so })).toEqual([code])
      expect(codes({ left: near })).toEqual([])
      expect(codes({ right: so })).toEqual([code.replace('left', 'right')])
    },
  )
  function mark(kind: string) {
    return { kind, view: 'plantar', xMm: 0, yMm: 50 } as never
  }
})

describe('a difference of the legs', () => {
  const leg = (value: number, more: object = {}) =>
    risk({ left: {}, more: { legLengthDifferenceMm: { value, shorter: 'left', ...more } } }).refers
  it('is referred above its most, whatever is known', () => {
    expect(leg(10)).toEqual([])
    expect(leg(10.1).map((r) => r.words)).toEqual(['a leg length difference of 10.1 mm'])
  })
  it('above its error when it is new or gone when levelled', () => {
    expect(leg(4.9, { known: 'new' })).toEqual([])
    expect(leg(5, { known: 'new' }).map((r) => r.words)).toEqual([
      'a leg length difference of 5 mm, new',
    ])
    expect(leg(8, { goneWhenLevelled: true }).map((r) => r.words)).toEqual([
      'a leg length difference of 8 mm, gone when levelled',
    ])
    expect(leg(8, { known: 'long-standing' })).toEqual([])
  })
})

describe('clearance', () => {
  it('is for its own reason, and making waits for all', () => {
    const left: Findings = { pulses: 'absent', skin: 'hot' }
    const cleared = (...given: string[]) =>
      risk({
        left,
        more: {
          story: {
            complaints: [],
            conditions: [],
            clearances: given.map((code) => ({ code, by: 'Dr. A', on: '2026-11-01' })),
          },
        },
      })
    expect(cleared().blocked).toBe(true)
    expect(cleared('pulse-left').refers.map((r) => [r.code, r.cleared])).toEqual([
      ['pulse-left', true],
      ['hot-left', false],
    ])
    expect(cleared('pulse-left').blocked).toBe(true)
    expect(cleared('pulse-left', 'hot-left').blocked).toBe(false)
    expect(cleared('pulse-right', 'hot-left').blocked).toBe(true)
  })
  it('of a condition goes by its code in small letters', () => {
    const { refers } = risk({ left: {}, conditions: ['recentOperation'] })
    expect(refers.map((r) => r.code)).toEqual(['recent-operation'])
  })
})

describe('grades', () => {
  const kept: Findings = { sensationFelt: 10, pulses: 'both', deformity: 'none' }
  const grade = (told: Told) => risk(told).grade
  it.each([
    [0, kept, kept],
    [1, { ...kept, sensationFelt: 9 }, kept],
    [1, kept, { ...kept, pulses: 'weak' }],
    [2, { ...kept, sensationFelt: 9 }, { ...kept, pulses: 'one' }],
    [2, { ...kept, sensationFelt: 9 }, { ...kept, deformity: 'present' }],
    [null, { ...kept, sensationFelt: undefined }, kept],
    [null, { ...kept, pulses: undefined }, kept],
    [null, { sensationFelt: 9, pulses: 'both' }, kept],
    [null, {}, {}],
  ] as [number | null, Findings, Findings][])('%s', (wanted, left, right) =>
    expect(grade({ left, right })).toBe(wanted),
  )
  it('three with an ulcer behind, once feeling or flow is lost', () => {
    const conditions = ['pastUlcer']
    expect(grade({ left: { ...kept, sensationFelt: 9 }, right: kept, conditions })).toBe(3)
    expect(grade({ left: kept, right: kept, conditions })).toBe(0)
  })
  it('a foot with diabetes that nobody graded is one at risk, one of grade 0 is not', () => {
    expect(risk({ left: {}, conditions: ['diabetes'] }).atRisk).toBe(true)
    expect(risk({ left: kept, conditions: ['diabetes'] }).atRisk).toBe(false)
    expect(risk({ left: {} }).atRisk).toBe(false)
  })
})
