import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import catalogue from '../../../demo/catalogue.json'
import { modelSchema } from '../../../core/footwear/catalogueSchema'
import { nearestSizeMm, roomLeft, roomOf, sizeOfFoot, widthsOf } from '../../../core/footwear/room'
import { DEMO_RECORDS } from '../../../demo/records'
import { runs } from '../../effort'

const col = modelSchema.parse(catalogue.models.find((m) => m.id === 'tarn-col-100'))
const NO_SPARE = { spareHeightMm: { heel: 0, arch: 0, ball: 0, toes: 0 } }

describe('room of a model', () => {
  it('is its insole and what its boot board gives: 3.5 and 3 mm, and the spare height on top', () => {
    expect(roomOf(col, NO_SPARE)).toEqual({ heelMm: 6.5, archMm: 6.5, ballMm: 6.5, toesMm: 6.5 })
    expect(roomOf(col, { spareHeightMm: { heel: 1, arch: 2, ball: 3, toes: 4 } })).toEqual({
      heelMm: 7.5,
      archMm: 8.5,
      ballMm: 9.5,
      toesMm: 10.5,
    })
  })

  it('across it is what the worn liner leaves of the shell', () => {
    // Heel 77 − 2 · 6 · 0.8; ball 112 − 2 · 5 · 0.8; waist the mean of both.
    const wide = widthsOf(col, 265)
    expect(wide.heelWidthMm).toBeCloseTo(67.4, 9)
    expect(wide.waistWidthMm).toBeCloseTo((67.4 + 104) / 2, 9)
  })

  it('is unknown across where nobody measured', () => {
    const { heelWidthMm: _, ...at } = col.at
    expect(widthsOf({ ...col, at }, 265)).toEqual({})
  })

  it('left is negative where a device is too much, null where nothing is known', () => {
    const { heelWidthMm: _, ...at } = col.at
    const needed = {
      heelMm: 8,
      archMm: 5,
      ballMm: 6.5,
      toesMm: 0,
      heelWidthMm: 70,
      waistWidthMm: 80,
    }
    const left = Object.fromEntries(
      roomLeft({ ...col, at }, 265, needed, NO_SPARE).map((r) => [r.place, r.leftMm]),
    )
    expect(left).toEqual({
      heelMm: -1.5,
      archMm: 1.5,
      ballMm: 0,
      toesMm: 6.5,
      heelWidthMm: null,
      waistWidthMm: null,
    })
  })
})

describe('the nearest size', () => {
  it('is the smaller of two as near', () => expect(nearestSizeMm([260, 265], 262.5)).toBe(260))
  it('is none of an empty shelf', () => expect(() => nearestSizeMm([], 265)).toThrow(RangeError))
  it('lies no further than any other', () => {
    const sizes = fc.array(fc.integer({ min: 180, max: 330 }), { minLength: 1 })
    fc.assert(
      fc.property(sizes, fc.double({ min: 150, max: 350, noNaN: true }), (list, length) => {
        const found = nearestSizeMm(list, length)
        expect(list).toContain(found)
        for (const size of list)
          expect(Math.abs(found - length)).toBeLessThanOrEqual(Math.abs(size - length))
      }),
      { numRuns: runs(500) },
    )
  })
})

describe('the size of a foot', () => {
  const record = structuredClone(DEMO_RECORDS['tove-marchetti']!)
  it('is the nearest to its standing length while none was chosen', () => {
    delete record.footwear
    // 264.3 and 268.3 mm as they stand.
    expect(sizeOfFoot(record, 'left', col)).toBe(265)
    expect(sizeOfFoot(record, 'right', col)).toBe(270)
  })
  it('is the chosen one of that model, and of that model only', () => {
    const chosen = {
      ...record,
      footwear: {
        candidates: [],
        chosen: { model: col.id, sizeLeftMm: 275, shellChecks: [], tryOn: [], work: [] },
      },
    } as never
    expect(sizeOfFoot(chosen, 'left', col)).toBe(275)
    expect(sizeOfFoot(chosen, 'right', col)).toBe(270)
    expect(sizeOfFoot(chosen, 'left', { ...col, id: 'another' })).toBe(265)
  })
  it('is the measured size of the model where nobody measured the foot', () => {
    expect(sizeOfFoot({ feet: {} } as never, 'left', col)).toBe(265)
  })
})
