import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { biasWords, learnAll, likeCondition } from '../../../core/footwear/learnedBias'
import { matchCatalogue } from '../../../core/footwear/match'
import { matchSettings, standingFeet } from '../../../core/footwear/matchRecord'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import { shellCheckSchema, type ShellCheck } from '../../../core/record/schema'
import { DEMO_RECORDS } from '../../../demo/records'
import { shell } from '../../fixtures/handShell'
import { runs } from '../../effort'

const model = (id: string, more: Partial<FootwearModel> = {}) => shell({ id, ...more })
/** Checks of a model that are all off by one bias, but for a hair that gives them a spread. */
const checks = (of: string, count: number, biasMm: number, more: Partial<ShellCheck> = {}) =>
  Array.from({ length: count }, (_, i) =>
    shellCheckSchema.parse({
      model: of,
      sizeMm: 265,
      foot: 'left',
      gapMm: 15 + biasMm + (i % 2 ? 0.05 : -0.05),
      predictedMm: 15,
      at: '2026-11-01T10:00:00Z',
      ...more,
    }),
  )

describe('a shell that was measured again', () => {
  const old = checks('hand', 20, 3, { insideMm: 278 })
  it('starts anew: what was off before is in its new numbers', () => {
    expect(learnAll(old, [shell()]).hand).toMatchObject({ used: true, count: 20 })
    const longer = shell({ at: { ...shell().at, lengthMm: 281 } })
    expect(learnAll(old, [longer])).toEqual({})
    expect(
      learnAll([...old, ...checks('hand', 6, 0, { insideMm: 281 })], [longer]).hand,
    ).toMatchObject({ count: 6, used: false })
  })
  it('also where its checks do not say what it was, and where its length was found the same', () => {
    const measured = shell({ measured: { by: 'Rhona', on: '2026-11-10' } })
    expect(learnAll(checks('hand', 20, 3), [measured])).toEqual({})
    expect(learnAll(old, [measured])).toEqual({})
    const after = checks('hand', 20, 3, { at: '2026-11-10T15:00:00Z' })
    expect(learnAll(after, [measured]).hand!.count).toBe(20)
  })
  it('in another size the same shell is compared with that size', () => {
    // Hand’s shells grow 10 mm a size: 278 at 265 is 288 at 275.
    const other = checks('hand', 20, 3, { sizeMm: 275, insideMm: 288 })
    expect(learnAll(other, [shell()]).hand!.count).toBe(20)
  })
})

describe('knees straight and bent', () => {
  const both = [...checks('hand', 10, 1), ...checks('hand', 10, 4, { kneeBent: true })]
  it('are two predictions: the match goes by the straight one', () => {
    const { hand } = learnAll(both, [shell()])
    expect(hand!.usedMm).toBeCloseTo(1 * (10 / 15), 9)
    expect(hand!.bent!.usedMm).toBeCloseTo(4 * (10 / 15), 9)
    expect(likeCondition(hand, true)).toBe(hand!.bent)
    expect(likeCondition(hand, false)).toBe(hand)
  })
  it('bent alone says nothing of the match', () => {
    const { hand } = learnAll(checks('hand', 20, 4, { kneeBent: true }), [shell()])
    expect(hand).toMatchObject({ used: false, usedMm: 0, count: 0 })
    expect(likeCondition(hand, false)).toBeUndefined()
    const record = DEMO_RECORDS['tove-marchetti']!
    const feet = standingFeet(record)
    const settings = matchSettings(record)
    const plain = matchCatalogue(feet, [shell()], settings)
    expect(matchCatalogue(feet, [shell()], { ...settings, learned: { hand: hand! } })).toEqual(
      plain,
    )
  })
})

describe('models of one maker and one family', () => {
  const wall = [
    ...['a', 'b', 'c', 'd', 'new'].map((id) => model(id, { maker: 'Tarnwright' })),
    model('else', { maker: 'Fernley' }),
    model('shoe', { maker: 'Somebody', family: 'shoe' }),
  ]
  const ofMaker = ['a', 'b', 'c', 'd'].flatMap((id, i) => checks(id, 10, 3 + (i - 1.5) * 0.1))
  it('what four of a maker show moves one that nobody checked, drawn to by their number', () => {
    const learned = learnAll(ofMaker, wall)
    // Four means around 3: 3 · 4/(4 + 3).
    expect(learned.new!.usedMm).toBeCloseTo((3 * 4) / 7, 9)
    expect(learned.new).toMatchObject({ used: true, count: 0, others: { by: 'maker', models: 4 } })
    expect(biasWords(learned.new!)).toBe(
      '+1.7 mm as 4 other models of its maker (seen +3.0) taught; 0 shell checks of its own, learns from 5',
    )
    // Another maker of the same family goes by the family, another family by nothing.
    expect(learned.else!.others).toMatchObject({ by: 'family', models: 4 })
    expect(learned.shoe).toBeUndefined()
  })
  it('no model counts among its own others', () => {
    const learned = learnAll(ofMaker, wall)
    // Three others, at 2.95, 3.05, 3.15: mean 3.05, drawn to by half; then its own ten checks at 2.85.
    const from = 3.05 / 2
    expect(learned.a!.usedMm).toBeCloseTo(from + (2.85 - from) * (10 / 15), 9)
  })
  it('models whose maker nobody knows are not of one maker', () => {
    const nobody = ['a', 'b', 'c', 'd', 'new'].map((id) => model(id, { maker: '' }))
    expect(learnAll(ofMaker, nobody).new).toBeUndefined()
  })
  it('two are not enough, and such as do not agree say nothing', () => {
    expect(learnAll(ofMaker.slice(0, 20), wall).new).toBeUndefined()
    const apart = ['a', 'b', 'c', 'd'].flatMap((id, i) => checks(id, 10, i % 2 ? 3 : -3))
    expect(learnAll(apart, wall).new).toBeUndefined()
  })
  it('what is learned lies between its own checks and what others say', () => {
    const mm = fc.double({ min: -5, max: 5, noNaN: true })
    fc.assert(
      fc.property(fc.tuple(mm, mm, mm, mm), fc.integer({ min: 0, max: 30 }), (means, n) => {
        const taught = means.flatMap((m, i) => checks('abcd'[i]!, i === 0 ? n : 10, m))
        const learned = learnAll(taught, wall).a
        if (!learned?.used) return
        const ends = [means[0], learned.others?.usedMm ?? 0]
        expect(learned.usedMm).toBeGreaterThanOrEqual(Math.min(...ends) - 0.06)
        expect(learned.usedMm).toBeLessThanOrEqual(Math.max(...ends) + 0.06)
      }),
      { numRuns: runs(500) },
    )
  })
})

it('ranking and telling take the same bias: a model that is taught by others ranks as it is told', () => {
  const record = DEMO_RECORDS['tove-marchetti']!
  const feet = standingFeet(record)
  const settings = matchSettings(record)
  const longer = shell({ at: { ...shell().at, lengthMm: 281 } })
  const taught = matchCatalogue(feet, [shell()], {
    ...settings,
    learned: {
      hand: {
        usedMm: 3,
        seenMm: 0,
        lowMm: -Infinity,
        highMm: Infinity,
        count: 0,
        used: true,
        others: { by: 'maker', models: 3, seenMm: 6, usedMm: 3 },
      },
    },
  })
  const real = matchCatalogue(feet, [longer], settings)
  expect(taught.pair[0]?.right?.sizeMm).toBe(real.pair[0]?.right?.sizeMm)
  expect(taught.pair[0]?.score).toBeCloseTo(real.pair[0]!.score, 9)
})
