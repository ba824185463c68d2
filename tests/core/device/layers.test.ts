import { HOUSE_NORMS } from '../../../core/record/tables'
import { LAYERS, layerSchema, type LayerKind } from '../../../core/kinds/layers/all'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { buildDevice, soleFieldOf } from '../../../core/device/buildDevice'
import { trimDevice } from '../../../core/device/trim'
import { buildSurface, type LayerResult } from '../../../core/device/surface'
import { parseWith } from '../../../core/record/parse'
import { deviceSchema } from '../../../core/record/schema'
import { referenceRecord } from '../../fixtures/feet'
import { runs } from '../../effort'

const foot = { ...referenceRecord().feet.left!, findings: { forefootDeg: [5] } }
const { field } = soleFieldOf(foot, 'left', HOUSE_NORMS)
const deviceOf = (device: unknown) => parseWith(deviceSchema, device)
const surfaceOf = (layers: unknown[], rest = {}) =>
  buildSurface(field, deviceOf({ layers, ...rest }))
const kinds = LAYERS.all.map((d) => d.kind)
const amountKeys = [
  'depthMm',
  'heightMm',
  'amountMm',
  'widthMm',
  'thicknessMm',
  'angleDeg',
  'lengthMm',
]
const asked = (kind: LayerKind, value: number) => ({
  kind,
  [LAYERS.of(kind).amounts[0].key]: value,
})
/** Usual limits of a kind's main amount, and what lies between. */
const amountsOf = (kind: LayerKind) => {
  const { usual, fallback } = LAYERS.of(kind).amounts[0]
  return [Math.max(usual[0], 0.5), fallback || 4, usual[1]]
}
const edge = new Set<LayerKind>([
  'medialFlare',
  'lateralFlare',
  'medialWrap',
  'medialFlange',
  'toeCarbonPlate',
])

describe('the registry', () => {
  it('shapes every kind of the record, with words, presets inside the usual range and a first amount of the record', () => {
    expect(new Set(kinds)).toEqual(new Set(layerSchema.options.map((o) => o.shape.kind.value)))
    for (const d of LAYERS.all) {
      expect(amountKeys).toContain(d.amounts[0].key)
      expect(d.does.length + d.where.length).toBeGreaterThan(12)
      for (const rule of d.amounts)
        for (const preset of rule.presets)
          expect(
            preset >= rule.usual[0] && preset <= rule.usual[1],
            `${d.kind} ${rule.key} ${preset}`,
          ).toBe(true)
    }
  })
})

describe.each(kinds)('%s', (kind) => {
  const definition = LAYERS.of(kind)
  const one = (value: number): LayerResult => surfaceOf([asked(kind, value)]).layers[0]!
  it('reaches what is asked within 0.05 mm, from its smallest to its largest usual amount, and by default', () => {
    for (const value of amountsOf(kind)) {
      const layer = one(value)
      expect(Math.abs(layer.peakMm - layer.askedMm), `${value}`).toBeLessThan(0.05)
    }
    const byDefault = surfaceOf([{ kind }]).layers[0]!
    expect(byDefault.peakMm).toBeGreaterThan(0.4)
  })
  it('changes nothing outside the reach it states, and peaks inside it', () => {
    for (const value of amountsOf(kind)) {
      const layer = one(value)
      const { x, y } = definition.reach(field, layerSchema.parse(asked(kind, value)))
      for (let i = 0; i < field.z.length; i++) {
        const within =
          field.x[i]! >= x[0] && field.x[i]! <= x[1] && field.y[i]! >= y[0] && field.y[i]! <= y[1]
        if (!within && layer.change[i] !== 0)
          expect.fail(`${value} changes (${field.x[i]}, ${field.y[i]}) by ${layer.change[i]}`)
      }
      expect(
        layer.at!.xMm >= x[0] - 0.5 &&
          layer.at!.xMm <= x[1] + 0.5 &&
          layer.at!.yMm >= y[0] - 0.5 &&
          layer.at!.yMm <= y[1] + 0.5,
      ).toBe(true)
    }
  })
  it('has no step over 0.3 mm where it has no edge by nature', () => {
    if (definition.edged) return
    // A step is what is left when the slope goes on: the second difference, along and across.
    const { change } = one(LAYERS.of(kind).amounts[0].fallback || 4)
    for (let row = 1; row + 1 < field.rows; row++)
      for (let column = field.from[row]! + 1; column + 1 < field.to[row]!; column++) {
        const i = row * field.columns + column
        if (!field.mask[i]) continue
        for (const step of [1, field.columns])
          expect(Math.abs(change[i - step]! - 2 * change[i]! + change[i + step]!)).toBeLessThan(0.3)
      }
  })
  it('grows everywhere with its amount, and 0 does nothing', () => {
    const [low, , high] = amountsOf(kind)
    const [small, big] = [one(low!), one(high!)]
    expect(small.change.every((v, i) => Math.abs(v) <= Math.abs(big.change[i]!) + 1e-9)).toBe(true)
    expect(small.peakMm).toBeLessThan(big.peakMm)
    expect(surfaceOf([asked(kind, 0)]).top).toEqual(surfaceOf([]).top)
    expect(surfaceOf([{ ...asked(kind, high!), on: false }]).layers).toEqual([])
  })
})

describe('places', () => {
  it.each([
    ['sweetSpot', 12, 60],
    ['heelAperture', -5, 30],
    ['sweetSpot', -9, 187],
  ])('%s lies where it is put, within 1 mm', (kind, xMm, yMm) => {
    const { change } = surfaceOf([{ kind, xMm, yMm }]).layers[0]!
    // The middle of what it lowers, by weight.
    let [sum, sx, sy] = [0, 0, 0]
    change.forEach((v, i) => {
      sum += v
      sx += v * field.x[i]!
      sy += v * field.y[i]!
    })
    expect(Math.hypot(sx / sum - xMm, sy / sum - yMm)).toBeLessThan(0.2)
  })
  it('an elongated aperture runs forward and inward from its point', () => {
    const { change } = surfaceOf([{ kind: 'elongatedHeelAperture', xMm: 0, yMm: 35 }]).layers[0]!
    const deep = [...change.keys()].filter((i) => change[i]! < -2.9)
    expect(Math.max(...deep.map((i) => field.y[i]!))).toBeCloseTo(35 + 28 + 9, -0.5)
    expect(deep.reduce((s, i) => s + field.x[i]!, 0) / deep.length).toBeGreaterThan(1.5)
  })
  it('skives lie on their own side, the shave further forward', () => {
    const [medial, lateral, shave] = (
      ['medialSkive', 'lateralSkive', 'threePlaneShave'] as const
    ).map((kind) => surfaceOf([{ kind }]).layers[0]!.at!)
    expect(medial!.xMm).toBeGreaterThan(65 / 6)
    expect(lateral!.xMm).toBeLessThan(-65 / 6)
    const middle = (kind: LayerKind) => {
      const { change } = surfaceOf([{ kind }]).layers[0]!
      return change.reduce((s, v, i) => s + v * field.y[i]!, 0) / change.reduce((s, v) => s + v, 0)
    }
    expect(middle('threePlaneShave') - middle('medialSkive')).toBeGreaterThan(8)
    expect(shave!.xMm).toBeGreaterThan(0)
  })
  it('pads, bars and nerve pads end as far behind the heads as asked', () => {
    const heads = field.sole.heads
    const front = (layer: unknown) => {
      const { change } = surfaceOf([layer]).layers[0]!
      return Math.max(...[...change.keys()].filter((i) => change[i]! !== 0).map((i) => field.q[i]!))
    }
    expect(front({ kind: 'metBar', behindHeadsMm: 10 })).toBeCloseTo(-10, -0.2)
    const between = (kind: string) => {
      const { change } = surfaceOf([{ kind, behindHeadsMm: 10 }]).layers[0]!
      return Math.max(...[...change.keys()].filter((i) => change[i]! !== 0).map((i) => field.y[i]!))
    }
    expect(between('metPad')).toBeCloseTo((heads[1]!.y + heads[2]!.y) / 2 - 10, -0.5)
    expect(between('nerveSpreadPad')).toBeCloseTo((heads[2]!.y + heads[3]!.y) / 2 - 10, -0.5)
  })
  it('a relief is under the heads it names and nowhere between others', () => {
    const { change } = surfaceOf([{ kind: 'metHeadRelief', heads: [1, 5] }]).layers[0]!
    const at = (k: number) =>
      change[
        [...change.keys()].reduce(
          (best, i) =>
            Math.hypot(field.x[i]! - field.sole.heads[k]!.x, field.y[i]! - field.sole.heads[k]!.y) <
            Math.hypot(
              field.x[best]! - field.sole.heads[k]!.x,
              field.y[best]! - field.sole.heads[k]!.y,
            )
              ? i
              : best,
          0,
        )
      ]!
    expect([at(0), at(4)].every((v) => v < -1.95)).toBe(true)
    expect(at(2)).toBe(0)
  })
})

describe('the stack', () => {
  it('does not ask in which order layers lie that do not overlap', () =>
    fc.assert(
      fc.property(
        fc.shuffledSubarray(
          [
            'medialSkive',
            'metPad',
            'lateralFlare',
            'medialFlange',
            'toeCarbonPlate',
            'intrinsicForefootPost',
          ] as LayerKind[],
          { minLength: 2 },
        ),
        (some) => {
          const [there, back] = [some, [...some].reverse()].map(
            (list) => surfaceOf(list.map((kind) => ({ kind }))).top,
          )
          return there!.every((z, i) => Math.abs(z - back![i]!) < 1e-9)
        },
      ),
      { numRuns: runs(8) },
    ))
  it('a skive keeps its depth under posts and lifts, and beside another skive', () => {
    for (const rest of [
      { posts: [{ at: 'rearfoot', angleDeg: 8 }] },
      { posts: [{ at: 'rearfoot', style: 'intrinsic', angleDeg: -6 }] },
      { heelLiftMm: 10 },
    ])
      expect(surfaceOf([{ kind: 'medialSkive', depthMm: 2 }], rest).layers[0]!.peakMm).toBeCloseTo(
        2,
        6,
      )
    for (const layer of surfaceOf([
      { kind: 'medialSkive' },
      { kind: 'lateralSkive' },
      { kind: 'threePlaneShave' },
    ]).layers)
      expect(layer.peakMm).toBeCloseTo(layer.askedMm, 6)
  })
  it('an intrinsic forefoot post makes the heads level: the slope that was found is gone', () => {
    const slope = (top: Float64Array) => {
      const row = field.y.findIndex((y) => y > 250)
      const line = Array.from(
        { length: 20 },
        (_, k) => row - (row % field.columns) + field.columns / 2 - 10 + k,
      )
      return (top[line[19]!]! - top[line[0]!]!) / 19
    }
    const flat = soleFieldOf(referenceRecord().feet.left!, 'left', HOUSE_NORMS).field
    const level = buildSurface(flat, deviceOf({})).top
    expect(slope(surfaceOf([]).top) - slope(level)).toBeCloseTo(Math.tan((5 * Math.PI) / 180), 6)
    expect(slope(surfaceOf([{ kind: 'intrinsicForefootPost' }]).top) - slope(level)).toBeCloseTo(
      0,
      6,
    )
  })
})

describe('the outline', () => {
  const widest = (device: unknown, side: 1 | -1, share: number) => {
    const { inside } = trimDevice(field, deviceOf(device), field.z)
    const row = Math.round((share * 265 - field.y[0]!) / field.stepMm)
    const cells = Array.from({ length: field.columns }, (_, c) => row * field.columns + c).filter(
      (i) => inside[i]! > 0,
    )
    return Math.max(...cells.map((i) => side * field.x[i]!))
  }
  it.each([
    ['medialFlare', 1, 0.41],
    ['lateralFlare', -1, 0.17],
  ] as const)(
    '%s moves its own border out by its width, the other not at all',
    (kind, side, share) => {
      expect(
        widest({ layers: [{ kind, widthMm: 6 }] }, side, share) - widest({}, side, share),
      ).toBeCloseTo(6, -0.3)
      expect(widest({ layers: [{ kind, widthMm: 6 }] }, -side as 1 | -1, share)).toBe(
        widest({}, -side as 1 | -1, share),
      )
    },
  )
  const rim = (device: unknown, side: 1 | -1, share: number) => {
    const { inside, top } = trimDevice(field, deviceOf(device), field.z)
    const row = Math.round((share * 265 - field.y[0]!) / field.stepMm)
    const cells = Array.from({ length: field.columns }, (_, c) => row * field.columns + c).filter(
      (i) => inside[i]! > 0 && side * field.x[i]! > 0,
    )
    return Math.max(...cells.map((i) => top[i]!))
  }
  it.each([
    ['medialFlange', 15, 0.4],
    ['medialFlange', 25, 0.4],
    ['medialWrap', 8, 0.2],
    ['medialWrap', 12, 0.2],
  ] as const)('%s raises its wall by %i mm', (kind, heightMm, share) => {
    expect(rim({ layers: [{ kind, heightMm }] }, 1, share) - rim({}, 1, share)).toBeCloseTo(
      heightMm,
      -0.3,
    )
    expect(rim({ layers: [{ kind, heightMm }] }, -1, share)).toBeCloseTo(rim({}, -1, share), 9)
  })
  it('top lines raise the border beside the midfoot on their own side', () => {
    expect(rim({ outline: { lateralTopMm: 12 } }, -1, 0.45) - rim({}, -1, 0.45)).toBeGreaterThan(5)
    expect(rim({ outline: { lateralTopMm: 12 } }, 1, 0.45)).toBeCloseTo(rim({}, 1, 0.45), 9)
  })
  it('points move the line on their own border by their amount, fade out beside it, and in as well as out', () => {
    const at = (mm: number, share: number, side: 1 | -1) =>
      widest({ outline: { points: [{ edge: 'medial', s: 0.4, mm }] } }, side, share) -
      widest({}, side, share)
    expect(at(6, 0.4, 1)).toBeCloseTo(6, -0.3)
    expect(at(-4, 0.4, 1)).toBeCloseTo(-4, -0.3)
    expect([at(6, 0.3, 1), at(6, 0.5, 1), at(6, 0.4, -1)]).toEqual([0, 0, 0])
    const { report } = buildDevice(
      {
        ...foot,
        device: deviceOf({
          outline: {
            points: [
              { edge: 'medial', s: 0.4, mm: 12 },
              { edge: 'lateral', s: 0.1, mm: -8 },
              { edge: 'lateral', s: 0.56, mm: 12 },
            ],
          },
        }),
      },
      'left',
      HOUSE_NORMS,
    ).solid
    expect(report).toMatchObject({ closed: true, manifold: true, outward: true, selfOverlaps: 0 })
  })
  it('kinds that only cut, widen or lie below leave the top as it is', () => {
    for (const kind of edge) expect(surfaceOf([{ kind }]).top).toEqual(surfaceOf([]).top)
  })
})
