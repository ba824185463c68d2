import { correctionSchema } from '../../../core/record/captureSchema'
import { describe, expect, it } from 'vitest'
import { WAYS } from '../../../core/capture/ways'
import { CAPTURE_WAYS } from '../../../core/tables/vocabulary'

describe('ways of capture', () => {
  it('lead by steps, wait where something sets, and name corrections that can be made', () => {
    for (const id of CAPTURE_WAYS.filter((w) => w !== 'parametric')) {
      const way = WAYS[id]
      expect(way.steps.length, id).toBeGreaterThanOrEqual(4)
      expect(
        way.steps.some((s) => s.look),
        id,
      ).toBe(true)
      for (const c of way.corrections)
        expect(correctionSchema.parse({ kind: c.kind, amountMm: c.amountMm })).toMatchObject({
          kind: c.kind,
          on: true,
        })
    }
    expect(WAYS['standing-vacuum'].steps.find((s) => s.seconds)!.seconds).toBe(360)
    expect(WAYS['standing-vacuum'].load).toBe('full')
  })
})
