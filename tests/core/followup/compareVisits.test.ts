import { describe, expect, it, test } from 'vitest'
import { changeVerdict } from '../../../core/followup/changeVerdict'
import { compareVisits } from '../../../core/followup/compareVisits'
import { shopErrors } from '../../../core/measure/leastChange'
import { parseRecord } from '../../../core/record/parse'
import { standing } from '../../fixtures/feet'

const record = (readings: object[], findings: object = {}, rest: object = {}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: { left: { readings, findings } },
    ...rest,
  })
const sitting = (what: string, ...trials: number[]) => ({ what, posture: 'sitting', trials })
const taken = (on: object, by: string) => ({ ...on, by })

describe('two visits', () => {
  const before = record([standing('footLengthMm', 264), standing('waistGirthMm', 244)], {
    rcspDeg: [-6],
  })
  const after = record(
    [standing('footLengthMm', 265), standing('waistGirthMm', 240), standing('heelWidthMm', 64)],
    { rcspDeg: [-1] },
  )
  const row = (what: string) => compareVisits(before, after).find((r) => r.what === what)!

  it('call a change smaller than the smallest believable one no change', () => {
    expect(row('footLengthMm')).toMatchObject({
      change: 1,
      changeWords: '+1.0',
      verdict: 'no change',
      leastFrom: 'house default',
    })
    expect(row('waistGirthMm').verdict).toBe('smaller')
    expect(row('heelWidthMm')).toMatchObject({
      verdict: 'only after',
      before: null,
      beforeWords: null,
      afterWords: '64.0',
    })
  })

  it('believe what the fitter’s own double readings allow', () => {
    const pairs = [0.1, -0.1, 0.2, 0, 0.2].map((gap, i) => ({
      what: 'footLengthMm',
      fitter: 'Ada',
      subject: `HR-${i} L`,
      first: 260 + i,
      second: 260 + i + gap,
    }))
    const told = compareVisits(
      record([taken(standing('footLengthMm', 264), 'Ada')]),
      record([taken(standing('footLengthMm', 265), 'Ada')]),
      shopErrors(pairs),
    )
    expect(told[0]).toMatchObject({ verdict: 'bigger', leastFrom: 'double readings of Ada' })
    expect(told[0]!.least).toBeCloseTo(0.277, 3)
  })

  it('take off what two fitters read apart', () => {
    const pairs = ['Ada', 'Ben'].flatMap((fitter) =>
      [0.1, -0.1, 0.2, 0, 0.2].map((gap, i) => {
        const first = 260 + i + (fitter === 'Ben' ? 2 : 0)
        return { what: 'footLengthMm', fitter, subject: `HR-${i} L`, first, second: first + gap }
      }),
    )
    const change = (mm: number) =>
      compareVisits(
        record([taken(standing('footLengthMm', 264), 'Ada')]),
        record([taken(standing('footLengthMm', 264 + mm), 'Ben')]),
        shopErrors(pairs),
      )[0]!
    // Ben reads every foot 2 mm longer: 2 mm more is the same foot, none more is a shorter one.
    expect(change(2).verdict).toBe('no change')
    expect(change(0).verdict).toBe('smaller')
    expect(change(0).bias).toBeCloseTo(2, 9)
  })

  it('mirror when they are swapped', () => {
    const back = compareVisits(after, before)
    for (const r of compareVisits(before, after))
      expect(
        back.find((b) => b.what === r.what && b.posture === r.posture)!.change ?? 0,
      ).toBeCloseTo(-(r.change ?? 0), 12)
  })
})

describe('worse and better follow the harm', () => {
  const verdict = (what: string, was: object, is: object, rest: [object?, object?] = []) =>
    compareVisits(record([], was, rest[0]), record([], is, rest[1])).find((r) => r.what === what)
      ?.verdict

  test.each([
    ['a heel that stands straighter', 'rcspDeg', { rcspDeg: [-8] }, { rcspDeg: [-2] }, 'better'],
    [
      'a heel tipped the other way as far',
      'rcspDeg',
      { rcspDeg: [-6] },
      { rcspDeg: [6] },
      'bigger',
    ],
    [
      'an ankle that bends less',
      'ankleKneeStraightDeg',
      { ankleKneeStraightDeg: [12] },
      { ankleKneeStraightDeg: [4] },
      'worse',
    ],
    ['a shin', 'tibialVarumDeg', { tibialVarumDeg: [2] }, { tibialVarumDeg: [9] }, 'bigger'],
    ['pulses', 'pulses', { pulses: 'both' }, { pulses: 'weak' }, 'worse'],
    [
      'a joint that is no longer hot',
      'hotJoint',
      { hotJoint: 'present' },
      { hotJoint: 'none' },
      'better',
    ],
    ['skin from hot to cold', 'skin', { skin: 'hot' }, { skin: 'cold' }, 'other'],
    ['fewer points felt', 'sensationFelt', { sensationFelt: 10 }, { sensationFelt: 8 }, 'worse'],
    [
      'one heel raise fewer is nothing',
      'heelRaise',
      { heelRaise: { count: 20 } },
      { heelRaise: { count: 19 } },
      'no change',
    ],
    [
      'ten heel raises fewer',
      'heelRaise',
      { heelRaise: { count: 20 } },
      { heelRaise: { count: 10 } },
      'worse',
    ],
    ['a knee over another toe', 'kneeOver', { kneeOver: 'first' }, { kneeOver: 'second' }, 'other'],
    ['the same words', 'pulses', { pulses: 'one' }, { pulses: 'one' }, 'no change'],
    ['nobody looked again', 'pulses', { pulses: 'one' }, {}, 'only before'],
  ])('%s', (_, what, was, is, said) => {
    expect(verdict(what, was, is)).toBe(said)
  })

  it('posture is worse outside the usual, and never from an item that was not seen', () => {
    const items = (...of: (number | null)[]) => ({ posture: of })
    const [usual, rolled] = [items(1, 1, 0, 0, 1, 0), items(2, 2, 1, 1, 1, 1)]
    expect(verdict('postureSum', usual, rolled)).toBe('worse')
    expect(verdict('postureSum', rolled, usual)).toBe('better')
    // From −5 to 0 is as much as from 5 to 10, and the other way.
    expect(verdict('postureSum', items(-2, -1, -1, -1, 0, 0), items(0, 0, 0, 0, 0, 0))).toBe(
      'better',
    )
    expect(verdict('postureSum', usual, items(2, 2, 1, 1, 1, null))).toBe('only before')
  })

  it('a fall of the navicular is worse as it grows, the legs as they differ', () => {
    const drop = (stand: number) =>
      record([sitting('navicularHeightMm', 48), standing('navicularHeightMm', stand)])
    const fall = (a: number, b: number) =>
      compareVisits(drop(a), drop(b)).find((r) => r.what === 'navicularDropMm')
    expect(fall(42, 34)).toMatchObject({ before: 6, after: 14, verdict: 'worse' })
    expect(fall(42, 40)!.verdict).toBe('no change')
    const legs = (value: number, shorter: string) => ({ legLengthDifferenceMm: { value, shorter } })
    expect(verdict('legLengthMm', {}, {}, [legs(9, 'left'), legs(4, 'left')])).toBe('better')
    // As short on the other side is no better, and surely no ‘no change’.
    expect(verdict('legLengthMm', {}, {}, [legs(6, 'left'), legs(6, 'right')])).toBe('smaller')
  })

  it('at the limit a change counts, below it not, and nothing is no change', () => {
    const least = { least: 2, bias: 0 }
    expect(changeVerdict(1, 3, least)).toBe('bigger')
    expect(changeVerdict(1, 2.9, least)).toBe('no change')
    expect(changeVerdict(1, 1, { least: 0, bias: 0 })).toBe('no change')
  })
})

describe('the fall of the navicular', () => {
  const foot = (readings: object[]) => record(readings)
  const [relaxed, seated, held] = [
    standing('navicularHeightMm', 40),
    sitting('navicularHeightMm', 48),
    standing('navicularNeutralMm', 52),
  ]

  it('from sitting and from standing neutral are never held against each other', () => {
    const rows = compareVisits(foot([relaxed, seated]), foot([relaxed, held]))
    const falls = rows.filter((r) => r.name.startsWith('Fall'))
    expect(falls.map((r) => [r.name, r.before, r.after, r.verdict])).toEqual([
      ['Fall of the navicular from sitting neutral', 8, null, 'only before'],
      ['Fall of the navicular from standing neutral', null, 12, 'only after'],
    ])
  })
})
