import { HOUSE_NORMS } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shiftsOf, shifted } from '../../../core/footwear/character'
import type { FittingRecord } from '../../../core/record/schema'
import { DEMO_RECORDS } from '../../../demo/records'

const tove = DEMO_RECORDS['tove-marchetti']!

describe('the character of a foot', () => {
  const shifts = (change: (r: FittingRecord) => void, child = false) => {
    const record = structuredClone(tove)
    record.feet.right!.findings = {}
    change(record)
    return shiftsOf(record, 'right', child, HOUSE_NORMS)
  }
  it('moves the bands: loose to the snug end, stiff and bony to more room, numb toes at the instep', () => {
    expect(shifts(() => undefined)).toEqual([])
    expect(
      shifts((r) => (r.feet.right!.findings!.mobility = { midtarsal: 'loose' })).find(
        (s) => s.station === 'ball',
      ),
    ).toMatchObject({ lowMm: -1, highMm: 0 })
    expect(
      shifts((r) => (r.feet.right!.findings!.mobility = { midtarsal: 'stiff' })).find(
        (s) => s.station === 'instep',
      ),
    ).toMatchObject({ lowMm: 1, highMm: 1 })
    expect(
      shifts(
        (r) =>
          (r.feet.right!.findings!.marks = [
            { kind: 'bonyPoint', view: 'medial', xMm: 30, yMm: 60 },
          ]),
      ),
    ).toMatchObject([{ station: 'ankle', lowMm: 1.5, trigger: 'feet.right.findings.marks.0' }])
    expect(
      shifts((r) => (r.feet.right!.findings!.numbness = { toes: [3, 4] })).map((s) => s.station),
    ).toEqual(['instep', 'instepHeight'])
    expect(shifts((r) => (r.story!.activity = 'wildland-fire')).map((s) => s.station)).toEqual([
      'length',
      'ball',
    ])
    expect(
      shifts((r) => (r.feet.right!.findings!.mobility = { midtarsal: 'loose' }), true),
    ).toEqual([])
  })
  it('never turns a band over', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -9, max: 9, noNaN: true }),
        fc.double({ min: -9, max: 9, noNaN: true }),
        (lowMm, highMm) => {
          const [low, high] = shifted(
            [0, 2],
            [{ station: 'ball', lowMm, highMm, words: '', trigger: '' }],
            'ball',
          )
          return low <= high
        },
      ),
    ))
})
