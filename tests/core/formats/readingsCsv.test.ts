import { describe, expect, it } from 'vitest'
import {
  mergeReadings,
  readingChanges,
  readReadingsCsv,
  writeReadingsCsv,
} from '../../../core/formats/readingsCsv'
import type { Reading } from '../../../core/record/schema'
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
      ['footLengthMm', [266]],
      ['heelWidthMm', [63]],
    ])
  })
})

describe('a file over what is there', () => {
  const HEAD = 'side,what,posture,trial,valueMm,struck'
  const read = (...rows: string[]) => readReadingsCsv([HEAD, ...rows].join('\n'), HOUSE_NORMS)
  const reading = (what: string, trials: number[], struck: number[] = []) =>
    ({ what, posture: 'standing', trials, struck }) as Reading
  const old = [
    reading('heelWidthMm', [64]),
    reading('footLengthMm', [264, 266], [1]),
    reading('waistGirthMm', [244]),
  ]

  it('keeps the order: what it names stays in its place, what is new comes behind', () => {
    const { readings } = read(
      'left,ankleGirthMm,standing,1,226,',
      'left,footLengthMm,standing,1,265,',
    )
    expect(mergeReadings(old, readings.left).map((r) => [r.what, r.trials])).toEqual([
      ['heelWidthMm', [64]],
      ['footLengthMm', [265]],
      ['waistGirthMm', [244]],
      ['ankleGirthMm', [226]],
    ])
  })

  it('takes the tries in their own order, however the table was sorted', () => {
    const { readings } = read(
      'left,footLengthMm,standing,3,266,yes',
      'left,footLengthMm,standing,1,264,',
      'left,footLengthMm,standing,2,265,',
    )
    expect(readings.left[0]).toMatchObject({ trials: [264, 265, 266], struck: [2] })
  })

  it('says what it would change: new, replaced, as it was', () => {
    const file = read(
      'left,footLengthMm,standing,1,265,',
      'left,heelWidthMm,standing,1,64,',
      'left,ankleGirthMm,standing,1,226,',
    )
    expect(readingChanges({ left: { readings: old } } as never, file)).toEqual([
      {
        side: 'left',
        what: 'footLengthMm',
        posture: 'standing',
        was: '264 (266)',
        is: '265',
        does: 'other',
      },
      { side: 'left', what: 'heelWidthMm', posture: 'standing', was: '64', is: '64', does: 'same' },
      {
        side: 'left',
        what: 'ankleGirthMm',
        posture: 'standing',
        was: null,
        is: '226',
        does: 'new',
      },
    ])
  })

  it('its own export changes nothing', () => {
    const record = parseRecord({
      format: 'gentle-arch/fitting',
      version: 1,
      feet: { left: { readings: old } },
    })
    const file = readReadingsCsv(writeReadingsCsv(record), HOUSE_NORMS)
    expect(readingChanges(record.feet, file).map((c) => c.does)).toEqual(['same', 'same', 'same'])
    expect(mergeReadings(record.feet.left!.readings, file.readings.left)).toEqual(
      record.feet.left!.readings,
    )
  })
})
