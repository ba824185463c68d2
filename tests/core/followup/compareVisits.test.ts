import { describe, expect, it } from 'vitest'
import { compareVisits } from '../../../core/followup/compareVisits'
import { parseRecord } from '../../../core/record/parse'
import { standing } from '../../fixtures/feet'

const record = (readings: object[], findings: object = {}) =>
  parseRecord({ format: 'gentle-arch/fitting', version: 1, feet: { left: { readings, findings } } })

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
