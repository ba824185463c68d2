import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseRecord } from '../../../core/record/parse'
import { Refusal } from '../../../core/record/refusal'
import { storable, storableDeep } from '../../../core/record/storable'
import { DEMO_RECORDS } from '../../../demo/records'
import { referenceRecord } from '../../fixtures/feet'

const refuse = (value: unknown): Refusal => {
  try {
    parseRecord(value)
  } catch (error) {
    return error as Refusal
  }
  throw new Error('was not refused')
}
const head = { format: 'gentle-arch/fitting', version: 1 }

describe('the fitting record', () => {
  it('comes back unchanged through JSON', () => {
    for (const record of Object.values(DEMO_RECORDS))
      expect(parseRecord(JSON.parse(JSON.stringify(record)))).toEqual(record)
  })
  it('fills defaults: a bare layer is a valid layer', () =>
    expect(
      referenceRecord({ layers: [{ kind: 'medialSkive' }] }).feet.left!.device!.layers[0],
    ).toEqual({ kind: 'medialSkive', on: true, depthMm: 3 }))
  it.each([
    [{ foo: 1 }, 'not-a-record', 'format'],
    [null, 'not-a-record', 'format'],
    [{ ...head, version: 99, feet: {} }, 'newer-version', 'version'],
    [{ ...head, feet: {} }, 'invalid', 'feet'],
    [{ ...head, feet: { left: {} }, shoeSize: 42 }, 'unknown-key', 'shoeSize'],
    [
      {
        ...head,
        feet: {
          left: { readings: [{ what: 'footLengthMm', posture: 'standing', trials: [26.5] }] },
        },
      },
      'out-of-bounds',
      'feet.left.readings.0.trials.0',
    ],
    [
      {
        ...head,
        feet: { left: { readings: [{ what: 'armLength', posture: 'standing', trials: [1] }] } },
      },
      'invalid',
      'feet.left.readings.0.what',
    ],
    [
      { ...head, feet: { left: { device: { layers: [{ kind: 'medialSkive', depthMm: -1 }] } } } },
      'invalid',
      'feet.left.device.layers.0.depthMm',
    ],
    [
      { ...head, feet: { left: { device: { posts: [{ at: 'rearfoot', angleDeg: 46 }] } } } },
      'invalid',
      'feet.left.device.posts.0.angleDeg',
    ],
  ])('refuses %j with its place', (value, code, path) =>
    expect(refuse(value)).toMatchObject({ code, path }),
  )
  it('refuses any foreign JSON without anything but a Refusal', () =>
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        try {
          parseRecord(value)
          return true
        } catch (error) {
          return error instanceof Refusal && error.message.length > 10
        }
      }),
    ))
})

describe('what a database can hold', () => {
  it('is every text but the character 0 and halves of pairs, in values and names of keys', () => {
    expect(
      storableDeep({
        'a\u0000': ['x\u0000y', { deep: 'ok 😀', half: '\ud83d', other: 'a\udc00b' }],
        n: 3,
        none: null,
      }),
    ).toEqual({ a: ['xy', { deep: 'ok 😀', half: '\ufffd', other: 'a\ufffdb' }], n: 3, none: null })
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.nat(40), (text, cut) => {
        const kept = storable(text.slice(0, cut))
        expect(kept).toBe(storable(kept))
        expect(kept).not.toContain('\u0000')
        expect(new TextDecoder().decode(new TextEncoder().encode(kept))).toBe(kept)
      }),
    )
  })
})
