import { describe, expect, it } from 'vitest'
import { clientPicture } from '../../../core/followup/clientPicture'
import { parseRecord } from '../../../core/record/parse'
import { DEMO_RECORDS } from '../../../demo/records'

interface Foot {
  readings?: object[]
  findings?: object
  device?: object
}
const picture = (left: Foot = {}, right: Foot = {}, more: object = {}) =>
  clientPicture(
    parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: { left: { readings: [], ...left }, right: { readings: [], ...right } },
      ...more,
    }),
  )
const found = (left: object, right: object = {}, more: object = {}) =>
  picture({ findings: left }, { findings: right }, more).found
const length = (standing: number, sitting?: number) => ({
  readings: [
    { what: 'footLengthMm', posture: 'standing', trials: [standing] },
    ...(sitting === undefined
      ? []
      : [{ what: 'footLengthMm', posture: 'sitting', trials: [sitting] }]),
  ],
})

describe('two lengths', () => {
  it.each([
    [262, 260, 'Your left foot is 2 mm longer.'],
    [260, 262, 'Your right foot is 2 mm longer.'],
    [261.4, 260, 'Your feet are the same length.'],
    [258.6, 260, 'Your feet are the same length.'],
    [264.6, 260, 'Your left foot is 5 mm longer.'],
  ])('%f and %f: %s', (left, right, words) =>
    expect(picture(length(left), length(right)).between).toBe(words),
  )
  it('are two: of one nothing is said', () => expect(picture(length(262)).between).toBeNull())
})

describe('what was found', () => {
  it('a heel leans from four degrees on, and which way', () => {
    expect(found({ rcspDeg: [-4] })).toEqual(['Your left heel leans inward when you stand.'])
    expect(found({}, { rcspDeg: [4] })).toEqual(['Your right heel leans outward when you stand.'])
    expect(found({ rcspDeg: [3.9] }, { rcspDeg: [-3.9] })).toEqual([])
  })
  it('a growing heel is not said to lean', () => {
    const child = { client: { bornOn: '2018-01-01' }, visit: { on: '2026-11-01' } }
    expect(found({ rcspDeg: [-8] }, {}, child)).toEqual([])
  })
  it('what is true of both feet is said once, what is not of its own', () => {
    expect(found({ rcspDeg: [-5] }, { rcspDeg: [-9] })).toEqual([
      'Both heels lean inward when you stand.',
    ])
    expect(found({ rcspDeg: [-5] }, { rcspDeg: [5] })).toEqual([
      'Your left heel leans inward when you stand.',
      'Your right heel leans outward when you stand.',
    ])
  })
  it('of two things the shared one is said once and the other of its own foot', () => {
    const both = { rcspDeg: [-5] }
    const toe = { firstToeUnloadedDeg: [70], firstToeLoadedDeg: [8] }
    expect(found({ ...both, ...toe }, both)).toEqual([
      'Both heels lean inward when you stand.',
      'Your left big toe bends less than usual when you stand on it.',
    ])
  })
  it('a great toe: limited, or only when it is stood on', () => {
    const toe = (unloaded: number, loaded: number) =>
      found({ firstToeUnloadedDeg: [unloaded], firstToeLoadedDeg: [loaded] })
    expect(toe(70, 40)).toEqual([])
    expect(toe(70, 8)).toEqual(['Your left big toe bends less than usual when you stand on it.'])
    expect(toe(40, 20)).toEqual(['Your left big toe bends less than usual.'])
  })
  it('an ankle: the calf, the joint, or neither', () => {
    const ankle = (straight: number, bent: number) =>
      found({ ankleKneeStraightDeg: [straight], ankleKneeBentDeg: [bent] })
    expect(ankle(12, 22)).toEqual([])
    expect(ankle(2, 20)).toEqual(['Your left ankle bends less than usual; the calf is tight.'])
    expect(ankle(2, 4)).toEqual(['Your left ankle bends less than usual.'])
  })
  it('a foot grows when it is stood on: from three millimetres, standing less sitting', () => {
    const grown = (standing: number, sitting?: number) => picture(length(standing, sitting)).found
    expect(grown(263, 260)).toEqual([
      'Your left foot grows about 3 mm longer when you stand on it.',
    ])
    expect(grown(262.4, 260)).toEqual([])
    expect(grown(258, 262)).toEqual([])
    expect(grown(263)).toEqual([])
  })
})

describe('what is proposed', () => {
  it('a device on one foot is a footbed for that foot', () => {
    const made = picture({}, { device: { kind: 'full-custom' } })
    expect(made.proposed[0]).toBe('a footbed for your right foot')
    expect(made.instead).toEqual([
      'a ready-made insole, trimmed to you',
      'leaving it as it is and looking again',
    ])
  })
  it('no device is none', () => {
    const none = picture({ device: { kind: 'none' } })
    expect(none.proposed).toEqual(['nothing is needed'])
    expect(none.instead).toEqual(['leaving it as it is and looking again'])
  })
  it.each(Object.keys(DEMO_RECORDS))('to %s nothing is said twice, and not too much', (name) => {
    const { proposed, instead } = clientPicture(DEMO_RECORDS[name]!)
    expect(new Set([...proposed, ...instead]).size).toBe(proposed.length + instead.length)
    expect(proposed.length).toBeLessThanOrEqual(5)
    expect(instead.length).toBeLessThanOrEqual(4)
    for (const words of [...proposed, ...instead]) expect(words.length).toBeGreaterThan(5)
  })
})

it('hurts are told by side and place, with their score or none', () => {
  const complaints = [
    { foot: 'left', at: 'heelPlantar', score: 0 },
    { foot: 'right', at: 'instep' },
  ]
  expect(picture({}, {}, { story: { conditions: [], complaints } }).hurts).toEqual([
    { side: 'left', words: 'under the heel', score: 0 },
    { side: 'right', words: 'instep', score: null },
  ])
})
