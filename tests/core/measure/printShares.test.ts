import { describe, expect, it } from 'vitest'
import { readFootprint } from '../../../core/measure/footprint'
import type { Footprint } from '../../../core/record/footprintSchema'

/** A print by rows from the heel and columns from the left, 5 mm a cell, listed from the toes. */
function print(
  rows: number,
  columns: number,
  at: (row: number, column: number) => number,
  toeLineMm?: number,
): Footprint {
  const kPa = Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (_, c) => at(rows - 1 - r, c)),
  )
  return { cellMm: 5, kPa, ...(toeLineMm !== undefined && { toeLineMm }) }
}
const plank = (toeLineMm?: number) => print(40, 10, () => 50, toeLineMm)

describe('shares of a plank', () => {
  it('are thirds, and halves across', () => {
    const { share, forceN, contactCm2, lengthMm } = readFootprint(plank(200), 'left')
    for (const part of ['heel', 'midfoot', 'forefoot'] as const)
      expect(share[part]).toBeCloseTo(1 / 3, 9)
    expect(share.toes).toBeCloseTo(0, 9)
    expect([share.medial, share.lateral]).toEqual([0.5, 0.5])
    // 400 cells of 25 mm² at 50 kPa.
    expect(forceN).toBeCloseTo(400 * 25 * 0.05, 9)
    expect(contactCm2).toBe(100)
    expect(lengthMm).toBe(200)
  })
  it('leave out what lies before the toe line', () => {
    const { share } = readFootprint(plank(150), 'left')
    expect(share.toes).toBeCloseTo(0.25, 9)
    expect(share.heel + share.midfoot + share.forefoot).toBeCloseTo(0.75, 9)
  })
  it('follow the load, not the area', () => {
    const { share, centreOfPressureMm, peakKPa } = readFootprint(
      print(40, 10, (row) => (row < 10 ? 150 : 50), 200),
      'left',
    )
    // 10 rows of 150 and 30 of 50: 1500 + 1500.
    expect(share.heel).toBeCloseTo((10 * 150 + (10 / 3) * 50) / 3000, 9)
    expect(centreOfPressureMm[1]).toBeCloseTo((1500 * 25 + 1500 * 125) / 3000, 9)
    expect(peakKPa).toBe(150)
  })
})

describe('sides', () => {
  const heavyRight = (side: 'left' | 'right') =>
    readFootprint(
      print(40, 10, (_, column) => (column >= 5 ? 90 : 30), 200),
      side,
    )
  it('what lies to the right of a left foot is its inner side, of a right foot its outer', () => {
    expect(heavyRight('left').share.medial).toBeCloseTo(0.75, 9)
    expect(heavyRight('right').share.medial).toBeCloseTo(0.25, 9)
    expect(heavyRight('left').centreOfPressureMm[0]).toBeCloseTo(6.25, 9)
    expect(heavyRight('right').centreOfPressureMm[0]).toBeCloseTo(-6.25, 9)
  })
  it('the axis leans to the ball’s own side', () => {
    // The heel in the middle, the ball two cells to the right: 10 mm over what lies between.
    const leaning = print(
      40,
      14,
      (row, column) => {
        const from = row < 10 ? 2 : row < 30 ? 3 : 4
        return column >= from && column < from + 8 ? 50 : 0
      },
      200,
    )
    const left = readFootprint(leaning, 'left').axisDeg
    // Heel rows 0–9 at 23.75 … ball rows 30–39: 150 mm apart.
    expect(left).toBeCloseTo((Math.atan(10 / 150) * 180) / Math.PI, 1)
    expect(readFootprint(leaning, 'right').axisDeg).toBeCloseTo(-left, 9)
  })
  it('the peak is where it stands', () => {
    const { peakAtMm } = readFootprint(
      print(40, 10, (row, column) => (row === 30 && column === 7 ? 200 : 50), 200),
      'left',
    )
    expect(peakAtMm).toEqual([12.5, 152.5])
  })
})

describe('the toe line', () => {
  it('is where the patch of the heel ends, when toes stand apart', () => {
    const toes = print(48, 10, (row) => (row < 38 ? 50 : row < 42 ? 0 : 40))
    expect(readFootprint(toes, 'left').proposedToeLineMm).toBe(190)
  })
  it('is the narrowest row where they touch', () => {
    const waisted = print(50, 10, (row, column) =>
      row === 42 && (column < 3 || column > 6) ? 0 : 50,
    )
    expect(readFootprint(waisted, 'left').proposedToeLineMm).toBe(212.5)
  })
  it('the first of rows that are equally narrow', () => {
    // From 0.72 to 0.92 of 250 mm; the first row whose middle lies in there is 36.
    expect(
      readFootprint(
        print(50, 10, () => 50),
        'left',
      ).proposedToeLineMm,
    ).toBe(182.5)
  })
  it('set by hand, is never beyond the print', () =>
    expect(readFootprint(plank(500), 'left').toeLineMm).toBe(200))
})

describe('what is no print', () => {
  it('seven cells are too few, eight are enough', () => {
    const cells = (n: number) => print(8, 1, (row) => (row < n ? 50 : 0))
    expect(() => readFootprint(cells(7), 'left')).toThrow('nothing stood on this grid')
    expect(readFootprint(cells(8), 'left').contactCm2).toBe(2)
  })
  it('a cell counts from ten on', () => {
    const cells = (kPa: number) => print(8, 1, () => kPa)
    expect(() => readFootprint(cells(9.99), 'left')).toThrow()
    expect(readFootprint(cells(10), 'left').peakKPa).toBe(10)
  })
  it('rows of two lengths are told with the row', () => {
    const ragged = plank()
    ragged.kPa[3] = [1, 2]
    expect(() => readFootprint(ragged, 'left')).toThrow(
      'footprint.kPa.3: this row has 2 cells, the first has 10.',
    )
  })
})
