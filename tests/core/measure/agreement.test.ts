import fc from 'fast-check'
import { describe, expect, it, test } from 'vitest'
import { agreementOf } from '../../../core/measure/agreement'

describe('tries of one thing', () => {
  test.each([
    ['one alone is asked for nothing', [7], { repeat: false, agreed: false, odd: [] }],
    ['two at the limit agree', [4, 6], { repeat: false, agreed: true, odd: [] }],
    ['two beyond it do not', [4, 6.5], { repeat: true, agreed: false, odd: [] }],
    ['two agree, the third is odd', [4, 5, 9], { repeat: true, agreed: true, odd: [2] }],
    // From four tries on, two neighbours are no longer enough.
    ['two pairs apart agree about nothing', [1, 2, 8, 9], { repeat: true, agreed: false, odd: [] }],
    ['three of four agree', [1, 8, 9, 8], { repeat: true, agreed: true, odd: [0] }],
    [
      'five and none agree',
      [-10, -5, 0, 5, 10],
      { repeat: true, agreed: false, odd: [], notRepeatable: true },
    ],
  ])('%s', (_, tries, said) => {
    expect(agreementOf(tries, 2)).toMatchObject(said)
  })

  it('says nothing of nothing', () => {
    expect(agreementOf([], 2)).toBeNull()
  })

  it('is about the tries, not about their order, and moves with them', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -45, max: 45 }), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: -20, max: 20 }),
        (tries, by) => {
          const said = agreementOf(tries, 2)!
          const values = (of: readonly number[], odd: readonly number[]) =>
            odd.map((i) => of[i]!).sort((a, b) => a - b)
          const moved = tries.map((v) => v + by)
          const later = agreementOf(moved, 2)!
          expect(later.spread).toBeCloseTo(said.spread, 9)
          expect(later.mean).toBeCloseTo(said.mean + by, 9)
          expect(later.odd).toEqual(said.odd)
          // Striking what is odd leaves tries that agree.
          const kept = tries.filter((_, i) => !said.odd.includes(i))
          if (said.odd.length > 0) {
            expect(values(tries, said.odd).length).toBeLessThan(tries.length - 1)
            expect(agreementOf(kept, 2)!.spread).toBeLessThanOrEqual(said.spread)
          }
        },
      ),
    ))
})
