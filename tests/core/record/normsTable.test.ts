import { describe, expect, it } from 'vitest'
import { HOUSE_NORMS, normsSchema } from '../../../core/record/tables'
import { measureRecord } from '../../../core/measure/measureRecord'
import { usChildWords } from '../../../core/measure/sizes'
import { navicularDropClass } from '../../../core/measure/archIndex'
import { matchRecord } from '../../../core/footwear/matchRecord'
import { parseRecord } from '../../../core/record/parse'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'
import { referenceReadings, standing } from '../../fixtures/feet'

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
