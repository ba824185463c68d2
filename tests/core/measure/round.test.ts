import { describe, expect, it } from 'vitest'
import { READING_VIEWS, ROUND, roundIndex, stepFrom, viewOf } from '../../../core/measure/round'
import { READING_KINDS } from '../../../core/kinds/readings/all'

/** Taken where footwear asks for them: not in the round. */
const ON_REQUEST: ReadonlySet<string> = new Set([
  'toeWidthMm',
  'ballHeightMm',
  'navicularNeutralMm',
])

describe('the guided round', () => {
  it('takes 22 readings, every usual kind once standing, and seated ones first', () => {
    expect(ROUND).toHaveLength(22)
    expect(
      [...new Set(ROUND.filter((s) => s.posture === 'standing').map((s) => s.what))].sort(),
    ).toEqual(READING_KINDS.filter((what) => !ON_REQUEST.has(what)).sort())
    expect(ROUND.findLastIndex((s) => s.posture === 'sitting')).toBeLessThan(
      ROUND.findIndex((s) => s.posture === 'standing'),
    )
  })
  it('goes on and back, around the ends, and begins from a reading outside it', () => {
    expect(stepFrom(ROUND[21]!, 1)).toEqual(ROUND[0])
    expect(stepFrom(ROUND[0]!, -1)).toEqual(ROUND[21])
    expect(ROUND.every((s, i) => roundIndex(s) === i)).toBe(true)
    expect(stepFrom({ what: 'calfGirthMm', posture: 'prone' }, 1)).toEqual(ROUND[1])
  })
  it('draws every reading in one view', () => {
    expect(Object.values(READING_VIEWS).flat().sort()).toEqual([...READING_KINDS].sort())
    for (const [view, kinds] of Object.entries(READING_VIEWS))
      for (const what of kinds) expect(viewOf(what)).toBe(view)
  })
})
