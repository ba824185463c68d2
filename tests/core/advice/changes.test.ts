import { describe, expect, it } from 'vitest'
import { applyChange, isMet } from '../../../core/advice/applyChange'
import type { Change, Entry } from '../../../core/advice/entry'
import { parseRecord } from '../../../core/record/parse'
import type { Device } from '../../../core/record/schema'
import { referenceReadings } from '../../fixtures/feet'

const record = (device: object | undefined, more: object = {}) =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: {
      left: { readings: referenceReadings },
      right: { readings: referenceReadings, ...(device && { device }) },
    },
    ...more,
  })
const entry = (change: Change | null, foot: Entry['foot'] = 'right') =>
  ({ code: 'why', foot, change }) as Entry
const apply = (change: Change | null, device?: object, more: object = {}, foot?: Entry['foot']) =>
  applyChange(record(device, more), entry(change, foot))
const made = (change: Change, device?: object): Device =>
  (apply(change, device)[0] as { content: Device }).content

describe('what an accepted entry does', () => {
  it('nothing, where it only asks for attention', () => {
    for (const change of [null, { refer: true }, { capture: 'redo' }] as (Change | null)[])
      expect(apply(change)).toEqual([])
  })
  it('on one foot, or on both', () => {
    expect(apply({ heelLiftMm: 3 })).toMatchObject([{ kind: 'part.put', part: 'device.right' }])
    const both = apply({ heelLiftMm: 3 }, undefined, {}, 'both').map(
      (c) => (c as { part: string }).part,
    )
    expect(both).toEqual(['device.left', 'device.right'])
  })
  it('a layer replaces its like, carries its reason, and leaves the others', () => {
    const device = {
      kind: 'full-custom',
      layers: [{ kind: 'metPad' }, { kind: 'medialSkive', depthMm: 5 }],
    }
    const { layers } = made({ layer: 'medialSkive', amounts: { depthMm: 2 } }, device)
    expect(layers).toMatchObject([
      { kind: 'metPad' },
      { kind: 'medialSkive', depthMm: 2, because: 'why' },
    ])
  })
  it('a post replaces the one of its place', () => {
    const device = {
      kind: 'full-custom',
      posts: [
        { at: 'rearfoot', style: 'intrinsic', angleDeg: 2 },
        { at: 'forefoot', style: 'extrinsic', angleDeg: 5 },
      ],
    }
    expect(made({ post: { at: 'rearfoot', angleDeg: 4 } }, device).posts).toMatchObject([
      { at: 'forefoot', angleDeg: 5 },
      { at: 'rearfoot', style: 'extrinsic', angleDeg: 4, because: 'why' },
    ])
  })
  it('kind and lift are set, the rest stays', () => {
    const device = { kind: 'trim-to-fit', heelLiftMm: 1 }
    expect(made({ device: 'full-custom' }, device)).toMatchObject({
      kind: 'full-custom',
      heelLiftMm: 1,
    })
    expect(made({ heelLiftMm: 4 }, device)).toMatchObject({ kind: 'trim-to-fit', heelLiftMm: 4 })
  })
  it('of a shell only what is said', () => {
    const device = {
      kind: 'full-custom',
      outline: { heelCupMm: 12 },
      shell: {
        material: 'polypropylene',
        thicknessMm: 3,
        cover: { material: 'eva-25', thicknessMm: 2 },
      },
    }
    const before = made({ heelLiftMm: 0 }, device)
    const after = (shell: Extract<Change, { shell: unknown }>['shell']) => made({ shell }, device)
    expect(after({ heelCupMm: 16 })).toEqual({
      ...before,
      outline: { ...before.outline, heelCupMm: 16 },
    })
    expect(after({ thicknessMm: 2.5 }).shell).toEqual({ ...before.shell, thicknessMm: 2.5 })
    expect(after({ material: 'carbon' }).shell).toEqual({ ...before.shell, material: 'carbon' })
    expect(after({ coverMm: 4 }).shell.cover).toEqual({ ...before.shell.cover, thicknessMm: 4 })
    expect(after({ coverMaterial: 'leather' }).shell.cover).toEqual({
      ...before.shell.cover,
      material: 'leather',
    })
  })
  it('footwear is asked beside what was asked before', () => {
    const asked = { footwear: { asks: [{ what: 'wider', foot: 'left', because: 'x' }] } }
    expect(apply({ footwear: 'rocker' }, undefined, asked)).toMatchObject([
      {
        part: 'footwear',
        content: {
          asks: [{ what: 'wider' }, { what: 'rocker', foot: 'right', because: 'why' }],
        },
      },
    ])
    expect(apply({ footwear: 'rocker' })).toMatchObject([
      { content: { asks: [{ what: 'rocker' }] } },
    ])
  })
  it('an exercise stands once, with the newest reason', () => {
    const more = {
      handover: {
        exercises: [
          { what: 'calf stretch', because: 'old' },
          { what: 'toe curls', because: 'y' },
        ],
      },
    }
    expect(apply({ exercise: 'calf stretch' }, undefined, more)).toMatchObject([
      {
        part: 'handover',
        content: {
          exercises: [
            { what: 'toe curls', because: 'y' },
            { what: 'calf stretch', because: 'why' },
          ],
        },
      },
    ])
  })
})

describe('what the record holds already', () => {
  const met = (change: Change, device?: object, more: object = {}, foot: Entry['foot'] = 'right') =>
    isMet(record(device, more), foot, change)
  const custom = { kind: 'full-custom' }

  it('nothing, where there is no device', () => {
    expect(met({ heelLiftMm: 3 })).toBe(false)
    expect(met({ device: 'trim-to-fit' })).toBe(false)
  })
  it('a kind that is as full or fuller', () => {
    const kinds = ['none', 'trim-to-fit', 'heat-moulded', 'full-custom'] as const
    for (const [i, held] of kinds.entries())
      for (const [j, wanted] of kinds.entries())
        if (wanted !== 'none') expect(met({ device: wanted }, { kind: held })).toBe(i >= j)
  })
  it('a post the same way at the same place, of any size but nought', () => {
    const held = (angleDeg: number, at = 'rearfoot') => ({
      ...custom,
      posts: [{ at, style: 'extrinsic', angleDeg }],
    })
    const post = (angleDeg: number): Change => ({ post: { at: 'rearfoot', angleDeg } })
    expect(met(post(4), held(1))).toBe(true)
    expect(met(post(-4), held(1))).toBe(false)
    expect(met(post(4), held(0))).toBe(false)
    expect(met(post(4), held(1, 'forefoot'))).toBe(false)
  })
  it('a layer that is on', () => {
    const pad: Change = { layer: 'metPad', amounts: {} }
    expect(met(pad, { ...custom, layers: [{ kind: 'metPad' }] })).toBe(true)
    expect(met(pad, { ...custom, layers: [{ kind: 'metPad', on: false }] })).toBe(false)
    expect(met(pad, { ...custom, layers: [{ kind: 'metBar' }] })).toBe(false)
  })
  it('a lift of any height', () => {
    expect(met({ heelLiftMm: 6 }, { ...custom, heelLiftMm: 1 })).toBe(true)
    expect(met({ heelLiftMm: 6 }, custom)).toBe(false)
  })
  it('a shell that is as thin, as deep, as soft as was asked; each part by itself', () => {
    const held = {
      ...custom,
      outline: { heelCupMm: 16 },
      shell: {
        material: 'polypropylene',
        thicknessMm: 3,
        cover: { material: 'eva-25', thicknessMm: 3 },
      },
    }
    const shell = (part: Extract<Change, { shell: unknown }>['shell']) => met({ shell: part }, held)
    expect([shell({ thicknessMm: 3 }), shell({ thicknessMm: 2.9 })]).toEqual([true, false])
    expect([shell({ heelCupMm: 16 }), shell({ heelCupMm: 17 })]).toEqual([true, false])
    expect([shell({ coverMm: 3 }), shell({ coverMm: 3.5 })]).toEqual([true, false])
    expect([shell({ material: 'polypropylene' }), shell({ material: 'carbon' })]).toEqual([
      true,
      false,
    ])
    expect([shell({ coverMaterial: 'eva-25' }), shell({ coverMaterial: 'leather' })]).toEqual([
      true,
      false,
    ])
    expect(shell({ heelCupMm: 16, thicknessMm: 2 })).toBe(false)
  })
  it('footwear that was asked for this foot or for both', () => {
    const asks = (foot: string) => ({
      footwear: { asks: [{ what: 'rocker', foot, because: 'x' }] },
    })
    const rocker: Change = { footwear: 'rocker' }
    expect(met(rocker, undefined, asks('right'))).toBe(true)
    expect(met(rocker, undefined, asks('both'))).toBe(true)
    expect(met(rocker, undefined, asks('left'))).toBe(false)
    expect(met({ footwear: 'wider' }, undefined, asks('right'))).toBe(false)
    expect(met(rocker)).toBe(false)
  })
  it('an exercise that was given', () => {
    const more = { handover: { exercises: [{ what: 'calf stretch', because: 'x' }] } }
    expect(met({ exercise: 'calf stretch' }, undefined, more)).toBe(true)
    expect(met({ exercise: 'toe curls' }, undefined, more)).toBe(false)
    expect(met({ exercise: 'calf stretch' })).toBe(false)
  })
  it('on both feet only when both have it; a referral never', () => {
    expect(met({ heelLiftMm: 1 }, { ...custom, heelLiftMm: 1 }, {}, 'both')).toBe(false)
    expect(met({ refer: true }, custom)).toBe(false)
  })
})
