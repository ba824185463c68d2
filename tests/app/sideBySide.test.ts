import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sideBySide } from '../../app/calendar/sideBySide'
import { runs } from '../effort'

const span = fc
  .tuple(fc.integer({ min: 480, max: 1080 }), fc.integer({ min: 5, max: 120 }))
  .map(([from, long]) => ({ from, to: from + long }))

describe('visits that meet', () => {
  it('stand side by side, one after the other below each other', () => {
    expect(
      sideBySide([
        { from: 540, to: 600 },
        { from: 570, to: 630 },
        { from: 600, to: 660 },
        { from: 700, to: 745 },
      ]),
    ).toEqual([
      { lane: 0, of: 2 },
      { lane: 1, of: 2 },
      { lane: 0, of: 2 },
      { lane: 0, of: 1 },
    ])
  })
  it('never lie on each other, and no lane is made that no minute needs', () =>
    fc.assert(
      fc.property(fc.array(span, { maxLength: 60 }), (spans) => {
        const lanes = sideBySide(spans)
        // Judged by painting: each visit its own strip of its column, minute by minute.
        const most = new Map<number, number>()
        for (let minute = 480; minute < 1200; minute++) {
          const here = spans.flatMap((s, i) => (s.from <= minute && minute < s.to ? [i] : []))
          const strips = here.map((i) => lanes[i]!.lane / lanes[i]!.of)
          expect(new Set(strips).size).toBe(here.length)
          for (const i of here) {
            expect(lanes[i]!.lane).toBeLessThan(lanes[i]!.of)
            most.set(lanes[i]!.of, Math.max(most.get(lanes[i]!.of) ?? 0, here.length))
          }
        }
        for (const [of, seen] of most) expect(seen).toBe(of)
      }),
      { numRuns: runs(300) },
    ))
})
