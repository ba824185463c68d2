import { describe, expect, it } from 'vitest'
import { cautionsOf } from '../../../core/advice/cautions'
import { benchCautions } from '../../../core/advice/benchCautions'
import { CONDITIONS } from '../../../core/kinds/conditions/all'
import { SIGNS } from '../../../core/kinds/signs/all'
import { DEMO_RECORDS } from '../../../demo/records'

const PLAIN = { child: false, noHeat: false, marginK: 3 }
const codes = (told: Partial<Parameters<typeof benchCautions>[0]>) =>
  benchCautions({ cautions: [], blocked: false, wearer: PLAIN, ...told }).map((c) => c.code)

describe('what the bench is told', () => {
  it('is nothing where there is nothing', () => {
    expect(codes({})).toEqual([])
  })
  it('is what to do about it, stops first', () => {
    const wearer = { child: true, noHeat: true, marginK: 5 }
    const cautions = [{ code: 'x', kind: 'watch' as const, words: 'x' }]
    expect(codes({ blocked: true, wearer, cautions })).toEqual([
      'bench-wait',
      'bench-soft-edges',
      'bench-gentle',
      'bench-ask',
    ])
  })
  it('names no condition and no sign, whatever the record holds', () => {
    const record = structuredClone(DEMO_RECORDS['tove-marchetti']!)
    record.story = {
      ...record.story!,
      conditions: CONDITIONS.all.map((c) => c.kind),
      signs: Object.fromEntries(SIGNS.all.map((s) => [s.kind, 'yes'])),
    } as never
    const words = benchCautions({
      cautions: cautionsOf(record),
      blocked: true,
      wearer: { child: false, noHeat: true, marginK: 3 },
    })
      .map((c) => c.words)
      .join(' ')
      .toLowerCase()
    for (const { name, plain } of CONDITIONS.all)
      for (const word of [name, plain]) expect(words).not.toContain(word.toLowerCase())
    expect(words).not.toMatch(/diabet|neuropath|ulcer|pregnan|blood|wound|age\b/)
  })
})
