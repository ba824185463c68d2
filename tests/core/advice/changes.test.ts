import { describe, expect, it } from 'vitest'
import { applyChange } from '../../../core/advice/applyChange'
import { isMet } from '../../../core/advice/isMet'
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
  it('a layer is strengthened, never weakened, carries its reasons, and leaves the others', () => {
    const skive = (depthMm: number, because?: string) => ({
      kind: 'full-custom',
      layers: [{ kind: 'metPad' }, { kind: 'medialSkive', depthMm, ...(because && { because }) }],
    })
    const ask = (device: object) =>
      made({ layer: 'medialSkive', amounts: { depthMm: 3 } }, device).layers
    expect(ask(skive(2))).toMatchObject([
      { kind: 'metPad' },
      { kind: 'medialSkive', depthMm: 3, because: 'why' },
    ])
    expect(ask(skive(5, 'other'))).toMatchObject([
      { kind: 'metPad' },
      { kind: 'medialSkive', depthMm: 5, because: 'other, why' },
    ])
  })
  it('a second sore spot gets a hollow of its own', () => {
    const spot = (xMm: number) => ({ xMm, yMm: 190, depthMm: 2, radiusMm: 12 })
    const device = { kind: 'full-custom', layers: [{ kind: 'sweetSpot', ...spot(20) }] }
    const at = (xMm: number) =>
      made({ layer: 'sweetSpot', amounts: spot(xMm) }, device).layers.map(
        (l) => l.kind === 'sweetSpot' && l.xMm,
      )
    expect(at(-25)).toEqual([20, -25])
    // The same spot: it stays where it was put.
    expect(at(22)).toEqual([20])
  })
  it('a post replaces the one of its place', () => {
    const device = {
      kind: 'full-custom',
      posts: [
        { at: 'rearfoot', style: 'intrinsic', angleDeg: 2 },
        { at: 'forefoot', style: 'extrinsic', angleDeg: 5 },
      ],
    }
    const rearfoot = (angleDeg: number) =>
      made({ post: { at: 'rearfoot', angleDeg } }, device).posts
    expect(rearfoot(4)).toMatchObject([
      { at: 'forefoot', angleDeg: 5 },
      { at: 'rearfoot', style: 'intrinsic', angleDeg: 4, because: 'why' },
    ])
    // Steeper already: it stays. The other way: the new one counts, as a post of its own.
    expect(rearfoot(1)).toContainEqual(expect.objectContaining({ at: 'rearfoot', angleDeg: 2 }))
    expect(rearfoot(-3)).toContainEqual(
      expect.objectContaining({ at: 'rearfoot', style: 'extrinsic', angleDeg: -3 }),
    )
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
    const { because: _, ...before } = made({ heelLiftMm: 0 }, device)
    const after = (shell: Extract<Change, { shell: unknown }>['shell']) => made({ shell }, device)
    expect(after({ heelCupMm: 16 })).toEqual({
      ...before,
      because: { heelCup: 'why' },
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
  it('a post the same way at the same place, as steep as was asked', () => {
    const held = (angleDeg: number, at = 'rearfoot') => ({
      ...custom,
      posts: [{ at, style: 'extrinsic', angleDeg }],
    })
    const post = (angleDeg: number): Change => ({ post: { at: 'rearfoot', angleDeg } })
    expect([met(post(4), held(4)), met(post(4), held(6)), met(post(4), held(3))]).toEqual([
      true,
      true,
      false,
    ])
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
  it('a lift that is high enough, or as high as a counter holds', () => {
    const lifted = (heelLiftMm: number) => ({ ...custom, heelLiftMm })
    expect(met({ heelLiftMm: 6 }, lifted(1))).toBe(false)
    expect(met({ heelLiftMm: 6 }, lifted(6))).toBe(true)
    expect(met({ heelLiftMm: 12 }, lifted(8))).toBe(true)
    expect(met({ heelLiftMm: 6 }, custom)).toBe(false)
  })
  it('a layer that is there for this reason, or for none', () => {
    const pad: Change = { layer: 'metPad', amounts: { heightMm: 4 } }
    const held = (because?: string) =>
      record({ ...custom, layers: [{ kind: 'metPad', heightMm: 4, ...(because && { because }) }] })
    expect(isMet(held(), 'right', pad, 'met-pad')).toBe(true)
    expect(isMet(held('second-pad, met-pad'), 'right', pad, 'met-pad')).toBe(true)
    expect(isMet(held('second-pad'), 'right', pad, 'met-pad')).toBe(false)
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
