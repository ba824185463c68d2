import { describe, expect, it } from 'vitest'
import { mergeReadings, readReadingsCsv, writeReadingsCsv } from '../../../core/formats/readingsCsv'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { parseRecord } from '../../../core/record/parse'
import { DEMO_RECORDS } from '../../../demo/records'
import { standing } from '../../fixtures/feet'

const record = (readings: object[], findings: object = {}) =>
  parseRecord({ format: 'gentle-arch/fitting', version: 1, feet: { left: { readings, findings } } })

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
