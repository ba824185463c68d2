import { ANGLES } from '../../../core/kinds/findings/all'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  AMOUNT_CALLS as WORDS,
  amountOfCall,
  parseSided,
  withAmount,
} from '../../../core/device/callOutAmounts'
import { plainDevice } from '../../../core/device/buildDevice'
import { ANGLE_CALLS, angleOfCall } from '../../../core/examine/angleCalls'
import { deviceSchema, type Device } from '../../../core/record/schema'
import { randomPrescription } from '../../fixtures/randomDevice'

const rangeOf = (call: string) => amountOfCall(call)!.range
const word = fc.constantFrom(...WORDS)
const device = fc
  .integer({ min: 1, max: 500 })
  .map((seed) => randomPrescription(seed).feet.left!.device!)
const within = (w: string) =>
  fc.integer({ min: rangeOf(w)[0] * 2, max: rangeOf(w)[1] * 2 }).map((v) => v / 2)
const called = word.chain((w) => within(w).map((value) => [w, value] as const))
const plain = (d: Device) => JSON.parse(JSON.stringify(d)) as unknown

describe('amounts and angles called out', () => {
  it('hears left / right, one side, tries in a row, decimal commas and degrees', () => {
    expect(parseSided('skive 2 / 4', WORDS)).toEqual({ word: 'skive', left: [2], right: [4] })
    expect(parseSided('Skive 2/4', WORDS)).toEqual({ word: 'skive', left: [2], right: [4] })
    expect(parseSided('post r 3,5°', WORDS)).toEqual({ word: 'post', left: [], right: [3.5] })
    expect(parseSided('stance L -3 -4 / -5', ANGLE_CALLS)).toEqual({
      word: 'stance',
      left: [-3, -4],
      right: [-5],
    })
    expect(parseSided('skive', WORDS)).toEqual({ word: 'skive', left: [], right: [] })
  })
  it('asks which foot rather than guessing, names what is no number, and leaves other lines alone', () => {
    expect(parseSided('skive 2', WORDS)).toEqual({
      refused: 'Which foot? Say L, R or left / right.',
    })
    expect(parseSided('skive L two', WORDS)).toEqual({ refused: '"two" is not a number.' })
    expect(parseSided('width 97 / 98', WORDS)).toBeNull()
    expect(parseSided('', WORDS)).toBeNull()
  })
  it('says what was typed: every pair of numbers comes back as it was called', () => {
    fc.assert(
      fc.property(
        word,
        fc.array(fc.integer({ min: -90, max: 90 }), { minLength: 1, maxLength: 5 }),
        fc.array(fc.integer({ min: -90, max: 90 }), { minLength: 1, maxLength: 5 }),
        (w, l, r) => {
          expect(parseSided(`${w} ${l.join(' ')} / ${r.join(' ')}`, WORDS)).toEqual({
            word: w,
            left: l,
            right: r,
          })
          expect(parseSided(`${w} r ${r.join(' ')} l ${l.join(' ')}`, WORDS)).toEqual({
            word: w,
            left: l,
            right: r,
          })
        },
      ),
    )
  })
  it('any amount that the line allows makes a device that can be kept, and only that amount changes', () => {
    fc.assert(
      fc.property(device, called, (d, [w, value]) => {
        const next = withAmount(d, w, value)
        const kept = deviceSchema.safeParse(plain(next))
        expect(kept.error?.message, `${w} ${value}`).toBeUndefined()
        // Called twice is called once, and the last word counts.
        expect(plain(withAmount(next, w, value))).toEqual(plain(next))
        expect(plain(withAmount(withAmount(d, w, rangeOf(w)[1]), w, value))).toEqual(plain(next))
      }),
    )
  })
  it('0 takes a layer, a post or a wanted moment off, and calling it again brings one back', () => {
    const d = withAmount(
      withAmount(withAmount(plainDevice(), 'skive', 3), 'post', 4),
      'moment',
      200,
    )
    expect([d.layers.map((l) => l.kind), d.posts.map((p) => p.angleDeg), d.aimNmm]).toEqual([
      ['medialSkive'],
      [4],
      200,
    ])
    const off = withAmount(withAmount(withAmount(d, 'skive', 0), 'post', 0), 'moment', 0)
    expect([off.layers, off.posts, off.aimNmm]).toEqual([[], [], undefined])
  })
  it('an amount that is switched off goes on again; a post keeps how it is made', () => {
    const d: Device = {
      ...withAmount(plainDevice(), 'skive', 3),
      posts: [
        { at: 'rearfoot', style: 'intrinsic', angleDeg: 2 },
        { at: 'forefoot', style: 'extrinsic', angleDeg: 1 },
      ],
    }
    const off = { ...d, layers: d.layers.map((l) => ({ ...l, on: false })) }
    expect(withAmount(off, 'skive', 4).layers[0]).toMatchObject({ on: true, depthMm: 4 })
    expect(withAmount(d, 'post', 5).posts).toEqual([
      { at: 'forefoot', style: 'extrinsic', angleDeg: 1 },
      { at: 'rearfoot', style: 'intrinsic', angleDeg: 5 },
    ])
  })
  it('every angle has one word of its own and bounds that its own way of taking allows', () => {
    expect(new Set(ANGLE_CALLS).size).toBe(ANGLES.all.length)
    for (const call of ANGLE_CALLS) expect(ANGLES.of(angleOfCall(call)!).call).toBe(call)
    expect(angleOfCall('nothing')).toBeUndefined()
    expect([
      ANGLES.of('rcspDeg').bounds,
      ANGLES.of('inversionDeg').bounds,
      ANGLES.of('ankleKneeStraightDeg').bounds,
    ]).toEqual([
      [-45, 45],
      [0, 120],
      [-45, 45],
    ])
    expect(ANGLE_CALLS.filter((c) => WORDS.includes(c))).toEqual([])
  })
})
