import { HOUSE_NORMS } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import { createSole } from '../../../core/device/sole'
import { soleParameters } from '../../../core/device/soleParameters'
import { parseRecord } from '../../../core/record/parse'
import { referenceRecord, standing } from '../../fixtures/feet'

const { parameters } = soleParameters(referenceRecord().feet.left!, HOUSE_NORMS)!
const sole = createSole(parameters)

describe('the parametric sole', () => {
  it.each([
    [0, 34.45, 0],
    [25, 34.45, 3.368],
    [-25, 34.45, 3.368],
    [0, 10, 2.431],
    [20, 111.3, 13.471],
    [-20, 111.3, 3.207],
    [28, 192.1, 0.708],
    [-9, 189.5, 0.257],
    [-38, 170.9, 1.775],
    [26, 239.8, 1.388],
    [0, 215, 4.625],
  ])('is %f, %f → %f mm high as published', (x, y, z) =>
    expect(sole.height(x, y)).toBeCloseTo(z, 3),
  )
  it('turns the forefoot by the examined angle, medial side up', () => {
    const tilted = createSole({ ...parameters, forefootDeg: 6 })
    expect((tilted.height(30, 195) - sole.height(30, 195)) / 30).toBeCloseTo(
      Math.tan((6 * Math.PI) / 180),
      9,
    )
    expect(tilted.height(0, 40)).toBe(sole.height(0, 40))
  })
  it('assumes what was not measured, and says so', () => {
    const found = soleParameters(
      parseRecord({
        format: 'gentle-arch/fitting',
        version: 1,
        feet: { left: { readings: [standing('footLengthMm', 250)] } },
      }).feet.left!,
      HOUSE_NORMS,
    )!
    expect(found.parameters.forefootWidthMm).toBeCloseTo(94.25, 9)
    expect(found.assumed).toEqual([
      'forefootWidthMm',
      'heelWidthMm',
      'navicularHeightMm',
      'forefootDeg',
    ])
  })
  it('has a border that is inside its outline and a heel that closes', () => {
    expect(sole.contains(0, 0.4)).toBe(false)
    expect(sole.contains(0, 30)).toBe(true)
    expect(sole.medial(0)).toBeCloseTo(0, 9)
  })
})
