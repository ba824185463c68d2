import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { mergeReadings, readReadingsCsv, writeReadingsCsv } from '../../core/formats/readingsCsv'
import { compareVisits } from '../../core/followup/compareVisits'
import { HOUSE_NORMS, normsSchema } from '../../core/record/tables'
import { measureRecord } from '../../core/measure/measureRecord'
import {
  betweenFitters,
  smallestChange,
  smallestChangeOfMeans,
  technicalError,
} from '../../core/measure/repeatability'
import { usChildWords } from '../../core/measure/sizes'
import { navicularDropClass } from '../../core/measure/archIndex'
import { matchRecord } from '../../core/footwear/matchRecord'
import { parseRecord } from '../../core/record/parse'
import { demoModels } from '../../demo/catalogue'
import { DEMO_RECORDS } from '../../demo/records'
import { referenceReadings, standing } from '../fixtures/feet'

const record = (readings: object[], findings: object = {}) =>
  parseRecord({ format: 'gentle-arch/fitting', version: 1, feet: { left: { readings, findings } } })

describe('repeatability', () => {
  it('is √(Σd²/2n) for pairs', () =>
    expect(
      technicalError([
        [10, 12],
        [20, 20],
        [31, 29],
      ]),
    ).toBeCloseTo(Math.sqrt(8 / 6), 12))
  it('takes lists of any length and leaves single readings out', () => {
    expect(technicalError([[1, 2, 3], [5]])).toBeCloseTo(1, 12)
    expect(technicalError([[5], []])).toBeNull()
  })
  it('agrees with the pair formula whatever the pairs', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 200, max: 300, noNaN: true }),
            fc.double({ min: 200, max: 300, noNaN: true }),
          ),
          { minLength: 1, maxLength: 30 },
        ),
        (pairs) => {
          const direct = Math.sqrt(
            pairs.reduce((t, [a, b]) => t + (a - b) ** 2, 0) / (2 * pairs.length),
          )
          expect(technicalError(pairs)).toBeCloseTo(direct, 8)
        },
      ),
    ))
  it('gives the smallest believable change of single readings and of means', () => {
    expect(smallestChange(1)).toBeCloseTo(2.772, 3)
    expect(smallestChangeOfMeans(1, 0.5, 3, 3)).toBeCloseTo(
      1.96 * Math.sqrt(2 + 0.25 * (2 / 3)),
      12,
    )
    expect(smallestChangeOfMeans(1, 0, 1, 1)).toBeCloseTo(smallestChange(1), 12)
  })
  it('tells the bias between two fitters', () =>
    expect(
      betweenFitters(
        [
          [10, 9],
          [12, 10],
        ],
        0.6,
        0.8,
      ),
    ).toEqual({ bias: 1.5, smallestChange: 1.96 }))
})

describe('two visits', () => {
  const before = record([standing('footLengthMm', 264), standing('waistGirthMm', 244)], {
    rcspDeg: [-6],
  })
  const after = record(
    [standing('footLengthMm', 265), standing('waistGirthMm', 240), standing('heelWidthMm', 64)],
    { rcspDeg: [-1] },
  )
  const row = (what: string, known = {}) =>
    compareVisits(before, after, known).find((r) => r.what === what)!
  it('call a change smaller than the smallest believable one no change', () => {
    expect(row('footLengthMm')).toMatchObject({
      change: 1,
      verdict: 'no change',
      leastFrom: 'house default',
    })
    expect(row('footLengthMm', { footLengthMm: 0.9 })).toMatchObject({
      verdict: 'bigger',
      leastFrom: 'double readings',
    })
    expect(row('waistGirthMm').verdict).toBe('smaller')
    expect(row('rcspDeg')).toMatchObject({ change: 5, verdict: 'bigger', unit: '°' })
    expect(row('heelWidthMm')).toMatchObject({ verdict: 'only after', before: null })
  })
  it('mirror when they are swapped', () => {
    const back = compareVisits(after, before)
    for (const r of compareVisits(before, after))
      expect(
        back.find((b) => b.what === r.what && b.posture === r.posture)!.change ?? 0,
      ).toBeCloseTo(-(r.change ?? 0), 12)
  })
})

describe('readings as CSV', () => {
  it('come back as they went out', () => {
    for (const [name, demo] of Object.entries(DEMO_RECORDS)) {
      const { readings, problems, taken } = readReadingsCsv(writeReadingsCsv(demo), HOUSE_NORMS)
      expect(problems, name).toEqual([])
      for (const side of ['left', 'right'] as const)
        expect(
          readings[side].map(({ what, posture, trials, struck }) => ({
            what,
            posture,
            trials,
            struck,
          })),
        ).toEqual(
          demo.feet[side]!.readings.map(({ what, posture, trials, struck }) => ({
            what,
            posture,
            trials,
            struck,
          })),
        )
      expect(taken).toBeGreaterThan(20)
    }
  })
  it('report every bad cell by row and column, and take the rest', () => {
    const file = [
      'side,what,posture,trial,valueMm,struck',
      'left,footLengthMm,standing,1,264,',
      'middle,footLengthMm,standing,1,264,',
      'left,shoeMm,standing,1,264,',
      'left,footLengthMm,floating,1,264,',
      'left,footLengthMm,standing,2,"264,5",yes',
      'left,footLengthMm,standing,3,26.4,',
      'left,footLengthMm,standing,4,abc,',
    ].join('\n')
    const { readings, problems, taken } = readReadingsCsv(file, HOUSE_NORMS)
    expect(problems.map((p) => [p.row, p.column])).toEqual([
      [3, 'side'],
      [4, 'what'],
      [5, 'posture'],
      [7, 'valueMm'],
      [8, 'valueMm'],
    ])
    expect(readings.left).toEqual([
      { what: 'footLengthMm', posture: 'standing', trials: [264, 264.5], struck: [1] },
    ])
    expect(taken).toBe(2)
  })
  it('refuse a file without its columns, and a sixth try', () => {
    expect(() => readReadingsCsv('foot,value\nleft,3', HOUSE_NORMS)).toThrow(
      /side, what, posture, valueMm are missing/,
    )
    const six = [
      'side,what,posture,valueMm',
      ...Array.from({ length: 6 }, (_, i) => `left,footLengthMm,standing,${260 + i}`),
    ].join('\n')
    expect(readReadingsCsv(six, HOUSE_NORMS)).toMatchObject({
      taken: 5,
      problems: [{ row: 7, column: 'trial' }],
    })
  })
  it('replace what they name and keep the rest', () => {
    const old = record([standing('footLengthMm', 264), standing('heelWidthMm', 63)]).feet.left!
      .readings
    const file = readReadingsCsv(
      'side,what,posture,valueMm\nleft,footLengthMm,standing,266',
      HOUSE_NORMS,
    ).readings.left
    expect(mergeReadings(old, file).map((r) => [r.what, r.trials])).toEqual([
      ['heelWidthMm', [63]],
      ['footLengthMm', [266]],
    ])
  })
})

describe('the table of norms', () => {
  it('judges a record by its own version', () => {
    const norms = normsSchema.parse({
      version: 2,
      source: 'shop records',
      forefootDeltaMm: [-10, -6, -5],
      repeatLimitMm: { ...HOUSE_NORMS.repeatLimitMm, footLengthMm: 0.5 },
    })
    const own = parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      norms,
      feet: { left: { readings: [...referenceReadings, standing('footLengthMm', 266)] } },
    })
    const house = parseRecord({ ...own, norms: undefined })
    const classOf = (r: typeof own) => measureRecord(r, 10).feet.left!.classes!.forefootWidth!.class
    expect([classOf(house), classOf(own)]).toEqual(['medium', 'extraWide'])
    expect(measureRecord(own, 10).feet.left!.readings.footLengthMm!.standing!.repeat).toBe(true)
  })
  it('counts in the match: a table without regained length fits a longer foot', () => {
    const tove = DEMO_RECORDS['tove-marchetti']!
    const none = {
      ...HOUSE_NORMS,
      version: 2,
      supportShare: { none: 0, 'trim-to-fit': 0, 'heat-moulded': 0, 'full-custom': 0 },
    }
    const lengthOf = (r: typeof tove) =>
      matchRecord(r, demoModels()).pair.find((p) => p.model === 'fern-traverse-99')!.left!
        .clearances.length!
    expect(lengthOf(tove) - lengthOf({ ...tove, norms: none })).toBeCloseTo(
      0.7 * (264 + 1 / 3 - 261.25),
      6,
    )
  })
  it('refuses limits that cross, with their path', () => {
    expect(() =>
      parseRecord({
        format: 'gentle-arch/fitting',
        version: 1,
        norms: { waistShare: [0.95, 0.89] },
        feet: { left: {} },
      }),
    ).toThrow(/norms\.waistShare/)
  })
  it('has published navicular classes and child sizes', () => {
    expect(
      [5.9, 6, 10, 10.1, 15, 15.1].map((mm) => navicularDropClass(mm, HOUSE_NORMS.navicularDropMm)),
    ).toEqual(['small', 'usual', 'usual', 'marked', 'marked', 'large'])
    expect([
      usChildWords(190, 16, HOUSE_NORMS.usChildOverUk),
      usChildWords(230, 16, HOUSE_NORMS.usChildOverUk),
    ]).toEqual(['child 13', '4.5'])
  })
})
