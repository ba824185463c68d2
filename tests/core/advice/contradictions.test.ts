import { describe, expect, it } from 'vitest'
import { contradictionsOf, isInsensate } from '../../../core/advice/contradictions'
import { limitsOf } from '../../../core/advice/limits'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS, HOUSE_TABLES } from '../../../core/record/tables'
import { referenceReadings } from '../../fixtures/feet'

const LIMITS = HOUSE_NORMS.ruleThresholds
/** The left foot's device beside a right one that is as plain as can be. */
function record(device: object, more: object = {}, findings: object = {}) {
  return parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: {
      left: { readings: referenceReadings, findings, device },
      right: { readings: referenceReadings, device: { kind: 'full-custom' } },
    },
    ...more,
  })
}
const all = (device: object, more: object = {}, { findings = {} } = {}) =>
  contradictionsOf(record(device, more, findings)).filter((c) => c.foot !== 'right')
const codes = (...args: Parameters<typeof all>) => all(...args).map((c) => c.code)

describe('a device that goes together', () => {
  it('says nothing', () => expect(all({ kind: 'full-custom' })).toEqual([]))
  it('of no kind is no device, whatever it holds', () =>
    expect(
      codes({ kind: 'none', heelLiftMm: 30 }, {}).filter((c) => c !== 'one-foot-bare'),
    ).toEqual([]))
})

describe('the shell', () => {
  const material = HOUSE_TABLES.shellMaterials.find((m) => m.id === 'polypropylene')!
  const shell = (thicknessMm: number, id = material.id) => ({
    kind: 'full-custom',
    shell: { material: id, thicknessMm },
  })
  const about = (mm: number) => all(shell(mm)).filter((c) => c.about === 'shell')
  it('is usual from one end of its material to the other, both included', () => {
    const [low, high] = material.usualMm
    expect([about(low), about(high)]).toEqual([[], []])
    expect(about(low - 0.1)[0]!.words).toBe(
      `${material.name} ${low - 0.1} mm is outside its usual ${low} to ${high} mm.`,
    )
    expect(about(high + 0.1)).toHaveLength(1)
  })
  it('of a material that nobody knows has no mass', () => {
    expect(codes(shell(3, 'moon-cheese'))).toContain('unknown-material')
    expect(codes(shell(3))).not.toContain('unknown-material')
  })
  it('that is rigid wants some give in a snug fit', () => {
    const most = LIMITS['rigid-in-snug.thicknessMm']
    const rigid = HOUSE_TABLES.shellMaterials.find((m) => m.rigid)!
    const soft = HOUSE_TABLES.shellMaterials.find((m) => !m.rigid)!
    const snug = (mm: number, intent: string, id = rigid.id) =>
      codes(shell(mm, id), { story: { intent } }).includes('rigid-in-snug')
    expect([snug(most, 'race'), snug(most, 'performance')]).toEqual([true, true])
    expect([snug(most - 0.1, 'race'), snug(most, 'comfort'), snug(most, 'race', soft.id)]).toEqual([
      false,
      false,
      false,
    ])
  })
})

describe('posts and lift', () => {
  const post = (angleDeg: number, more: object = {}) => ({
    kind: 'full-custom',
    posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg, ...more }],
  })
  it('a large post is asked about above its limit, either way', () => {
    const most = LIMITS['post-large.deg']
    for (const deg of [most, -most]) expect(codes(post(deg))).not.toContain('post-large')
    for (const deg of [most + 0.5, -most - 0.5]) expect(codes(post(deg))).toContain('post-large')
  })
  it('one set on below takes room that low footwear has not', () => {
    const low = { story: { activity: 'dress' } }
    const takes = (device: object, more: object = low) =>
      codes(device, more).includes('extrinsic-in-low-volume')
    expect(takes(post(4))).toBe(true)
    // A flat block stands below as any other.
    expect(takes(post(0))).toBe(true)
    expect(takes(post(4, { style: 'intrinsic' }))).toBe(false)
    expect(takes(post(4, { at: 'forefoot' }))).toBe(false)
    expect(takes(post(4), {})).toBe(false)
  })
  it('a lift leaves the counter above its limit', () => {
    const most = LIMITS['lift-over-counter.mm']
    const lift = (heelLiftMm: number) => all({ kind: 'full-custom', heelLiftMm })
    expect(lift(most).map((c) => c.code)).not.toContain('lift-over-counter')
    const over = lift(most + 1).find((c) => c.code === 'lift-over-counter')!
    expect(over.words).toContain(`A heel lift of ${most + 1} mm`)
    expect(over.figures).toEqual([
      expect.objectContaining({ value: most + 1, limit: most, unit: 'mm' }),
    ])
  })
  it('a cup is too deep above its share of the heel: 65 mm wide', () => {
    const share = LIMITS['cup-too-deep.share']
    const cup = (mm: number) => ({ kind: 'full-custom', outline: { heelCupMm: mm } })
    const [at, over] = [Math.floor(share * 65), Math.floor(share * 65) + 1]
    expect(codes(cup(over))).toContain('cup-too-deep')
    expect(codes(cup(at))).not.toContain('cup-too-deep')
  })
})

describe('amounts outside what is usual', () => {
  const skive = (depthMm: number, more: object = {}) => ({ kind: 'medialSkive', depthMm, ...more })
  const layers = (...list: object[]) => ({ kind: 'full-custom', layers: list })
  it('are named with their end', () => {
    const [c] = all(layers(skive(9))).filter((x) => x.code === 'outside-usual')
    expect(c!.words).toMatch(/^Medial heel skive: .* 9 mm is outside the usual \d+ to \d+ mm\.$/)
    expect(c!.figures[0]).toMatchObject({ words: 'usual to', value: 9, unit: 'mm' })
    expect(c!.triggers).toEqual(['feet.left.device.layers.0'])
    const [low] = all({ kind: 'full-custom', outline: { heelCupMm: 2 } })
    expect(low).toMatchObject({ about: 'heelCup', code: 'outside-usual' })
    expect(low!.figures[0]).toMatchObject({ words: 'usual from', value: 2 })
  })
  it('are not, when the layer is off', () =>
    expect(codes(layers(skive(9, { on: false })))).not.toContain('outside-usual'))
  it('say which of several of one kind, by their order among their like', () => {
    const about = all(layers({ kind: 'metPad' }, skive(9), skive(9)))
      .filter((c) => c.code === 'outside-usual')
      .map((c) => c.about)
    expect(about).toEqual(['medialSkive.depthMm', 'medialSkive#2.depthMm'])
  })
  it('follow the record’s own table', () => {
    const own = record(layers(skive(9)))
    own.norms = {
      ...HOUSE_NORMS,
      layerUsual: { ...HOUSE_NORMS.layerUsual, 'medialSkive.depthMm': [2, 12] },
    } as never
    expect(contradictionsOf(own).map((c) => c.code)).not.toContain('outside-usual')
  })
})

describe('one foot with a device and one without', () => {
  const pair = (left: object | undefined, right: object | undefined) =>
    contradictionsOf(
      parseRecord({
        format: 'gentle-arch/fitting',
        version: 1,
        feet: {
          left: { readings: referenceReadings, ...(left && { device: left }) },
          right: { readings: referenceReadings, ...(right && { device: right }) },
        },
      }),
    ).map((c) => c.foot)
  const made = { kind: 'full-custom' }
  it('is told of the bare one, whichever it is', () => {
    expect(pair(made, undefined)).toEqual(['right'])
    expect(pair({ kind: 'none' }, made)).toEqual(['left'])
    expect(pair(made, made)).toEqual([])
    expect(pair(undefined, undefined)).toEqual([])
  })
})

describe('a foot that may not feel', () => {
  const insensate = (conditions: string[], findings: object = {}) =>
    isInsensate(record({ kind: 'none' }, { story: { conditions } }, findings), 'left')
  it('has neuropathy, or a point not felt, or diabetes without a full screen', () => {
    expect(insensate(['neuropathy'], { sensationFelt: 10 })).toBe(true)
    expect(insensate([], { sensationFelt: 9 })).toBe(true)
    expect(insensate(['diabetes'])).toBe(true)
    expect(insensate(['diabetes'], { sensationFelt: 10 })).toBe(false)
    expect(insensate([], { sensationFelt: 10 })).toBe(false)
    expect(insensate([])).toBe(false)
    expect(insensate(['smoking'])).toBe(false)
  })
})

describe('limits of a rule', () => {
  it('hold or leave out their own value, and keep what was compared', () => {
    const limits = limitsOf('post-large', HOUSE_NORMS)
    const deg = LIMITS['post-large.deg']
    expect([limits.over('deg', deg), limits.atLeast('deg', deg)]).toEqual([false, true])
    expect([limits.under('deg', deg), limits.atMost('deg', deg)]).toEqual([false, true])
    expect(limits.of('deg')).toBe(deg)
    // What was only read does not push aside what was compared.
    expect(limits.figures()).toEqual([expect.objectContaining({ value: deg, limit: deg })])
  })
  it('name an amount that was only read', () => {
    const limits = limitsOf('post-large', HOUSE_NORMS)
    limits.of('deg')
    expect(limits.figures()).toEqual([expect.objectContaining({ value: null })])
  })
})
