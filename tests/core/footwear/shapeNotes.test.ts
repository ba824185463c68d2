import { describe, expect, it } from 'vitest'
import { shapeNotes } from '../../../core/footwear/shapeNotes'
import { sockMm, sockNotes, socksOf } from '../../../core/footwear/socks'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { standing } from '../../fixtures/feet'

const LIMITS = HOUSE_NORMS.shapeLimits
const codes = (readings: object[], findings: object = {}) =>
  shapeNotes(
    parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: { left: { readings, findings } },
    }),
  ).map((n) => n.code)

describe('what the shape of a foot asks', () => {
  it('a second toe that leads by its limit', () => {
    expect(codes([standing('secondToeLeadMm', LIMITS.secondToeMm)])).toEqual(['second-toe'])
    expect(codes([standing('secondToeLeadMm', LIMITS.secondToeMm - 0.1)])).toEqual([])
  })
  it('a heel below its share of the ball', () => {
    const heel = (mm: number) =>
      codes([standing('forefootWidthMm', 100), standing('heelWidthMm', mm)])
    expect(heel(100 * LIMITS.heelToBall)).toEqual([])
    expect(heel(100 * LIMITS.heelToBall - 0.1)).toEqual(['narrow-heel'])
    expect(codes([standing('heelWidthMm', 50)])).toEqual([])
  })
  it('a calf that begins low, before one that is full', () => {
    const full = [
      standing('footLengthMm', 250),
      standing('calfGirthMm', Math.ceil(250 * LIMITS.calfShare) + 1),
    ]
    expect(codes(full)).toEqual(['full-calf'])
    expect(codes(full, { calf: { lowMm: LIMITS.lowCalfMm - 1 } })).toEqual(['low-calf'])
    expect(codes([], { calf: { lowMm: LIMITS.lowCalfMm } })).toEqual([])
    expect(codes(full.slice(1))).toEqual([])
  })
  it('an instep outside its share of the length', () => {
    const [low, high] = LIMITS.dorsumShare
    const instep = (share: number) =>
      codes([standing('footLengthMm', 250), standing('dorsumHeightMm', 250 * share)])
    expect(instep(low - 0.002)).toEqual(['low-instep'])
    expect(instep((low + high) / 2)).toEqual([])
    expect(instep(high + 0.002)).toEqual(['high-instep'])
    expect(codes([standing('dorsumHeightMm', 40)])).toEqual([])
  })
  it('says which foot and where it was read', () => {
    const [note] = shapeNotes(
      parseRecord({
        format: 'gentle-arch/fitting',
        version: 1,
        feet: { right: { readings: [standing('secondToeLeadMm', 9)] } },
      }),
    )
    expect(note!.words).toMatch(/^right: the second toe leads by 9\.0 mm/)
    expect(note!.trigger).toBe('feet.right.readings.secondToeLeadMm')
  })
})

describe('socks', () => {
  const notes = (oneMm: number | undefined, count: number, child = false) =>
    sockNotes({ oneMm, count }, child, { thickSockMm: 2 })
  it('one thin one is nothing to talk about', () => {
    expect(notes(2, 1)).toEqual([])
    expect(notes(undefined, 1, true)).toEqual([])
  })
  it('two, or a thick one, are', () => {
    expect(notes(1, 2)).toEqual([
      '2 socks over each other: they slide and fold; one thin sock fits better',
    ])
    expect(notes(2.1, 1)).toEqual(['2.1 mm is a thick sock: it packs down'])
    expect(notes(2.1, 2)).toHaveLength(1)
  })
  it('a child’s room to grow is never filled with them', () => {
    const never = 'growth room is never filled with socks'
    expect(notes(1, 2, true)).toContain(never)
    expect(notes(2.1, 1, true)).toContain(never)
    expect(notes(1, 1, true)).not.toContain(never)
  })
  it('add up; where nobody told, the family’s usual one', () => {
    expect(sockMm({ oneMm: 1.5, count: 2 }, 'shoe')).toBe(3)
    expect(sockMm({ oneMm: undefined, count: 1 }, 'shoe')).toBe(
      sockMm({ oneMm: undefined, count: 2 }, 'shoe') / 2,
    )
    expect(sockMm({ oneMm: 0, count: 2 }, 'shoe')).toBe(0)
  })
  it('of a record: what was told, one where it was not', () => {
    expect(socksOf({})).toEqual({ oneMm: undefined, count: 1 })
    expect(socksOf({ footwear: { sockMm: 1, socks: 0 } } as never)).toEqual({ oneMm: 1, count: 0 })
  })
})
