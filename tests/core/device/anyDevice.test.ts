import { HOUSE_NORMS } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { buildDevice } from '../../../core/device/buildDevice'
import { deviceReport } from '../../../core/advice/deviceReport'
import { contactReport } from '../../../core/mechanics/contactReport'
import { estimateLines } from '../../../core/mechanics/estimateLines'
import { shellReport } from '../../../core/mechanics/plate/shellReport'
import { parseRecord } from '../../../core/record/parse'
import { Refusal } from '../../../core/record/refusal'
import { deviceSchema, type FittingRecord } from '../../../core/record/schema'
import { arbitraryOf } from '../../fixtures/arbitraryOf'
import { standing } from '../../fixtures/feet'
import { runs } from '../../effort'

/**
 * Any device that the format takes, ends of every range included, on a small, a usual or a big foot
 * of any weight.
 */
const record: fc.Arbitrary<FittingRecord> = fc
  .record({
    device: arbitraryOf(deviceSchema, 4),
    length: fc.constantFrom(150, 220, 265, 320),
    width: fc.double({ min: 0.33, max: 0.43, noNaN: true }),
    heel: fc.double({ min: 0.2, max: 0.28, noNaN: true }),
    massKg: fc.constantFrom(20, 55, 75, 140),
    forefootDeg: fc.integer({ min: -12, max: 12 }),
  })
  .map(({ device, length, width, heel, massKg, forefootDeg }) => {
    const round = (v: number) => Math.round(v * 10) / 10
    const readings = [
      standing('footLengthMm', length),
      standing('forefootWidthMm', round(width * length)),
      standing('heelWidthMm', round(heel * length)),
    ]
    return parseRecord(
      JSON.parse(
        JSON.stringify({
          format: 'gentle-arch/fitting',
          version: 1,
          client: { massKg },
          feet: { right: { readings, findings: { forefootDeg: [forefootDeg] }, device } },
        }),
      ),
    )
  })

/** Where a number is none. */
const holes = (value: unknown, path = ''): string[] =>
  typeof value === 'number'
    ? Number.isFinite(value)
      ? []
      : [`${path} ${value}`]
    : value !== null && typeof value === 'object'
      ? Object.entries(value).flatMap(([key, v]) => holes(v, `${path}.${key}`))
      : []
/** What is told of a record, or the sentence why not. */
function toldOrSaid(make: () => unknown): unknown {
  try {
    return make()
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    expect(error.message).toMatch(/^\S.{12,}[.?]$/s)
    expect(error.message).not.toMatch(/undefined|NaN|Infinity/)
    return error.code
  }
}

describe('any device that the format takes', () => {
  it('is built and reported in finite numbers, or refused in a sentence', () => {
    fc.assert(
      fc.property(record, (r) => {
        const told = toldOrSaid(() => {
          const built = buildDevice(r.feet.right!, 'right', HOUSE_NORMS)
          return {
            report: deviceReport(r, 'right', built),
            top: built.surface.top,
            bottom: built.body.bottom.filter((_, i) => built.body.inside[i]! > 0),
          }
        })
        expect(holes(told)).toEqual([])
      }),
      { numRuns: runs(40) },
    )
  })
  it('stands under the foot in finite numbers, or is refused in a sentence; so does what is printed of it', () => {
    fc.assert(
      fc.property(
        record,
        fc.constantFrom('standing' as const, 'single-limb' as const),
        (r, load) => {
          const told = toldOrSaid(() => contactReport(r, 'right', load, 4))
          expect(holes(told)).toEqual([])
          expect(
            estimateLines(r, 'right').filter((line) => /undefined|NaN|Infinity/.test(line)),
          ).toEqual([])
        },
      ),
      { numRuns: runs(60) },
    )
  })
  it('bends by its elements in finite numbers, or is refused in a sentence', () => {
    fc.assert(
      fc.property(record, (r) => {
        const told = toldOrSaid(() => shellReport(r, 'right', 6))
        expect(holes(told)).toEqual([])
      }),
      { numRuns: runs(25) },
    )
  })
})
