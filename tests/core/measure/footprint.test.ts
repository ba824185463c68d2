import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readFootprintCsv, writeFootprintCsv } from '../../../core/formats/footprintCsv'
import { clipArea } from '../../../core/geometry/clipArea'
import { archIndexClass, readFootprint } from '../../../core/measure/footprint'
import { runs } from '../../effort'

/** A print made of a rule over columns and rows from the heel, rows listed from the toes. */
const grid = (rows: number, columns: number, at: (x: number, y: number) => number) =>
  Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (_, c) => at(c, rows - 1 - r)),
  )
const plain = (kPa: number[][], cellMm = 5) => ({ cellMm, kPa })

describe('the arch index', () => {
  it('is a third for a plank', () =>
    expect(
      readFootprint({ ...plain(grid(45, 18, () => 60)), toeLineMm: 225 }, 'left').archIndex,
    ).toBeCloseTo(1 / 3, 9))
  it('is the middle area over the whole for a waisted print', () => {
    const waisted = grid(60, 18, (x, y) => (y >= 20 && y < 40 && x >= 6 ? 0 : 50))
    expect(readFootprint({ ...plain(waisted), toeLineMm: 300 }, 'left').archIndex).toBeCloseTo(
      (20 * 6) / (2 * 20 * 18 + 20 * 6),
      2,
    )
  })
  it('counts cells from 10 kPa on', () => {
    const faint = grid(45, 18, (x) => (x < 9 ? 60 : 9.9))
    expect(readFootprint({ ...plain(faint), toeLineMm: 225 }, 'left').contactCm2).toBeCloseTo(
      (45 * 9 * 25) / 100,
      9,
    )
  })
  it('cuts cells by area, so that a finer grid says nearly the same', () => {
    const shape = (size: number) =>
      grid(240 / size, 96 / size, (x, y) =>
        (y * size < 70 && Math.abs(x * size - 44) < 24) ||
        (y * size >= 70 && y * size < 150 && x * size > 20 && x * size < 46) ||
        (y * size >= 150 && Math.abs(x * size - 48) < 40)
          ? 80
          : 0,
      )
    const index = (size: number) =>
      readFootprint({ ...plain(shape(size), size), toeLineMm: 240 }, 'left').archIndex
    expect(index(6)).toBeCloseTo(index(2), 1)
  })
  it.each([
    [0.2, 'high'],
    [0.21, 'high'],
    [0.23, 'usual'],
    [0.26, 'low'],
  ] as const)('classes %d as %s', (index, name) => expect(archIndexClass(index)).toBe(name))
})

describe('the rest of a print', () => {
  const toed = grid(56, 18, (x, y) => (y < 40 ? 50 : y < 44 ? 0 : x % 4 === 0 ? 0 : 30))
  it('leaves the toes out where they stand apart', () => {
    const reading = readFootprint(plain(toed), 'right')
    expect(reading.toeLineMm).toBe(200)
    expect(reading.share.toes).toBeGreaterThan(0.05)
    expect(
      reading.share.heel + reading.share.midfoot + reading.share.forefoot + reading.share.toes,
    ).toBeCloseTo(1, 9)
  })
  it("keeps the fitter's own toe line", () =>
    expect(readFootprint({ ...plain(toed), toeLineMm: 190 }, 'left')).toMatchObject({
      toeLineMm: 190,
      proposedToeLineMm: 200,
    }))
  it('finds force and centre of a known load', () => {
    const one = grid(20, 10, () => 100)
    const { forceN, centreOfPressureMm } = readFootprint(
      { ...plain(one, 10), toeLineMm: 200 },
      'left',
    )
    expect(forceN).toBeCloseTo(100e3 * 0.1 * 0.2, 6)
    expect(centreOfPressureMm[1]).toBeCloseTo(100, 9)
  })
  it('is the same for the mirrored foot', () =>
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.integer({ min: 0, max: 200 }), { minLength: 12, maxLength: 12 }), {
          minLength: 40,
          maxLength: 40,
        }),
        (kPa) => {
          const mirrored = kPa.map((row) => [...row].reverse())
          const [l, r] = [
            readFootprint({ ...plain(kPa), toeLineMm: 180 }, 'left'),
            readFootprint({ ...plain(mirrored), toeLineMm: 180 }, 'right'),
          ]
          expect(l.archIndex).toBeCloseTo(r.archIndex, 9)
          expect(l.share.medial).toBeCloseTo(r.share.medial, 9)
        },
      ),
      { numRuns: runs(30) },
    ))
  it('refuses an empty or ragged grid', () => {
    expect(() => readFootprint(plain(grid(10, 10, () => 5)), 'left')).toThrow(/nothing stood/)
    expect(() =>
      readFootprint(
        plain([
          [50, 50, 50],
          [50, 50],
          [50, 50, 50],
        ]),
        'left',
      ),
    ).toThrow(/kPa\.1/)
  })
  it('clips a square by area', () => {
    expect(
      clipArea(
        [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ],
        [Math.SQRT1_2, Math.SQRT1_2],
        Math.SQRT1_2,
      ),
    ).toBeCloseTo(0.5, 12)
    expect(
      clipArea(
        [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ],
        [0, 1],
        2,
      ),
    ).toBe(1)
  })
})

describe('footprint files', () => {
  it('come back as they went out', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('left' as const, 'right' as const),
        fc.integer({ min: 1, max: 10 }),
        fc.array(fc.array(fc.integer({ min: 0, max: 900 }), { minLength: 4, maxLength: 4 }), {
          minLength: 3,
          maxLength: 12,
        }),
        (side, cellMm, kPa) => {
          expect(readFootprintCsv(writeFootprintCsv({ cellMm, kPa }, side))).toEqual({
            side,
            print: { cellMm, kPa },
          })
        },
      ),
    ))
  it('read a bare grid when the cell size is given', () =>
    expect(readFootprintCsv('1,2,3\n4,5,6\n7,8,9', { cellMm: 5 }).print.kPa).toEqual([
      [1, 2, 3],
      [4, 5, 6],
      [7, 8, 9],
    ]))
  it.each([
    ['', /empty/],
    ['1,2\n3,4', /size of a cell/],
    ['gentle-arch-footprint,2\ncellMm,5\n1,2', /version 2/],
    ['gentle-arch-footprint,1\nside,up\ncellMm,5\n1,2', /neither left nor right/],
    ['gentle-arch-footprint,1\ncellMm,5\n1,2,3\n4,x,6\n7,8,9', /Line 4, column 2: "x"/],
    ['gentle-arch-footprint,1\ncellMm,5\n1,2,3\n4,5\n7,8,9', /Line 4: 2 cells/],
    ['gentle-arch-footprint,1\ncellMm,500\n1,2,3\n4,5,6\n7,8,9', /cellMm/],
  ])('refuse %j with its place', (text, words) =>
    expect(() => readFootprintCsv(text)).toThrow(words),
  )
})
