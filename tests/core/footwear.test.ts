import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clearances, type StandingFoot } from '../../core/footwear/clearance'
import { parseCatalogue } from '../../core/footwear/catalogueSchema'
import { gradeSteps, shellInside } from '../../core/footwear/gradeShell'
import { matchRecord } from '../../core/footwear/matchRecord'
import { verdictOf } from '../../core/footwear/targets'
import { demoModels } from '../../demo/catalogue'
import { DEMO_RECORDS } from '../../demo/records'

const model = demoModels().find((m) => m.id === 'fern-traverse-99')!
const foot: StandingFoot = { lengthMm: 262, forefootWidthMm: 98, heelWidthMm: 64, waistGirthMm: 244, dorsumHeightMm: 63, stackMm: { ball: 2, instep: 6, toes: 2 } }

describe('a shell at a size', () => {
  it('grades length, widths, heights and girths', () =>
    expect(shellInside(model, 275)).toMatchObject({ lengthMm: 290, ballWidthMm: 112, instepHeightMm: 74, waistGirthMm: 289 }))
  it('shares whole shells both ways of pairing', () => {
    const whole = { referenceMm: 265, shellStep: 'whole', pairing: '0-5' } as const
    expect([255, 260, 265, 270, 275].map((s) => gradeSteps(whole, s))).toEqual([-1, 0, 0, 1, 1])
    expect([255, 260, 265, 270].map((s) => gradeSteps({ ...whole, pairing: '5-0' }, s))).toEqual([-1, -1, 0, 0])
  })
  it('takes the ball from the last width when the inside was not measured', () => {
    const sold = { ...model, lastWidthMm: 100, at: { ...model.at, ballWidthMm: undefined } }
    expect(shellInside(sold, 265).ballWidthMm).toBeCloseTo(100 + 2 * 5 * 0.8, 9)
  })
})

describe('clearance', () => {
  const c = clearances(foot, model, 265, 1)
  it('follows the formulas, per side for widths and girths, whole for heights, bare for length', () => {
    expect(c.worn.length).toBeCloseTo(280 - 262, 9)
    expect(c.worn.ball).toBeCloseTo((110 - 98 - 2 * 4 - 2) / 2, 9)
    expect(c.worn.waist).toBeCloseTo((283 - 244) / (2 * Math.PI) - 4 - 1, 9)
    expect(c.worn.instepHeight).toBeCloseTo(73 - 63 - (6 - 3) - 4 - 2, 9)
    expect(c.asNew.ball).toBeCloseTo((110 - 98 - 2 * 5 - 2) / 2, 9)
  })
  it('is null and named where a measure is missing', () => {
    expect(c.worn.cuff).toBeNull()
    expect(c.missing).toContain('readings.calfGirthMm')
  })
  it('gets a verdict at the edges of its band', () =>
    expect([-2.1, -2, 0, 3, 6, 6.1].map((v) => verdictOf(v, [0, 3]))).toEqual(['tight', 'snug', 'right', 'right', 'roomy', 'loose']))
  it('gets smaller with a bigger foot or a thicker device', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 12, noNaN: true }), (d) => {
        const bigger = clearances({ ...foot, forefootWidthMm: 98 + d, stackMm: { ball: 2, instep: 6 + d, toes: 2 } }, model, 265, 1)
        return bigger.worn.ball! < c.worn.ball! && bigger.worn.instepHeight! < c.worn.instepHeight!
      }),
    ))
})

describe('matching', () => {
  const tove = DEMO_RECORDS['tove-marchetti']!
  it('ranks the demo catalogue for Tove, says why, and rejects what cannot fit', () => {
    const result = matchRecord(tove, demoModels())
    expect(result.pair.length + result.rejected.length).toBe(12)
    expect(result.pair.map((p) => p.score)).toEqual([...result.pair.map((p) => p.score)].sort((a, b) => a - b))
    expect(result.pair.every((p) => p.reasons.length > 0)).toBe(true)
    expect(result.rejected.find((r) => r.model === 'skar-spin-junior')!.because).toContain('too short')
  })
  it('counts the thickness of the device', () => {
    const thick = structuredClone(tove)
    thick.feet.left!.device!.shell.thicknessMm = 5
    const at = (record: typeof tove) => matchRecord(record, [model]).pair[0]!.left!.clearances
    expect(at(tove).instepHeight! - at(thick).instepHeight!).toBeCloseTo(2, 0)
    const bare = structuredClone(tove)
    bare.feet.left!.device!.kind = 'none'
    expect(at(bare).length!).toBeLessThan(at(tove).length!)
  })
  it('does not care about stock', () => {
    const without = demoModels().map((m) => ({ ...m, stock: {} }))
    expect(matchRecord(tove, without)).toEqual(matchRecord(tove, demoModels()))
  })
  it('gives a child growth room instead of the intent\'s', () => {
    const juno = matchRecord(DEMO_RECORDS['juno-abara']!, demoModels()).pair.find((p) => p.model === 'skar-spin-junior')!
    expect(juno.left!.clearances.length).toBeGreaterThanOrEqual(8)
  })
  it('refuses a foreign file and a model used twice, with the place', () => {
    expect(() => parseCatalogue({ shoes: [] })).toThrow('not a catalogue')
    const models = [model, model]
    expect(() => parseCatalogue({ format: 'gentle-arch/catalogue', version: 1, models })).toThrow('models.1.id')
  })
})
