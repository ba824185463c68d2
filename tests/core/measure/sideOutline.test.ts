import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  alongCubics,
  sideHeights,
  sideHeightsOf,
  sideOutline,
} from '../../../core/measure/sideOutline'
import { footSchema } from '../../../core/record/schema'
import { runs } from '../../effort'

const taken = (what: string, mm: number) => ({
  what,
  posture: 'standing',
  trials: [mm],
  struck: [],
})
const foot = footSchema.parse({
  readings: [taken('dorsumHeightMm', 66), taken('toeBoxHeightMm', 25)],
})

describe('heights of the side view', () => {
  it('are the measured ones, and usual shares of the length where nobody measured', () => {
    expect(sideHeights(foot, 260)).toEqual({
      lengthMm: 260,
      dorsumMm: 66,
      toeMm: 25,
      navicularMm: 0.165 * 260,
      lateralMalleolusMm: 0.265 * 260,
      medialMalleolusMm: 0.31 * 260,
    })
  })
  it('are the same from single measures', () => {
    expect(sideHeightsOf({ lengthMm: 260, dorsumMm: 66, toeMm: 25 })).toEqual(
      sideHeights(foot, 260),
    )
  })
})

describe('the outline', () => {
  const heights = sideHeights(foot, 260)
  const outline = sideOutline(heights, 140)
  it('begins and ends at the top of the leg, each curve where the last has ended', () => {
    expect(outline[0]![0]).toEqual([13, 140])
    expect(outline.at(-1)![3][1]).toBe(140)
    for (let i = 1; i < outline.length; i++) expect(outline[i]![0]).toEqual(outline[i - 1]![3])
  })
  it('passes over the dorsum at half length at the measured height', () => {
    expect(outline.some(([, , , end]) => end[0] === 130 && end[1] === 66)).toBe(true)
  })
  it('of any foot stands on the floor and reaches from heel to toes', () => {
    const share = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true })
    fc.assert(
      fc.property(share(150, 340), share(0.2, 0.3), share(0.06, 0.12), (L, dorsum, toe) => {
        const h = sideHeightsOf({ lengthMm: L, dorsumMm: dorsum * L, toeMm: toe * L })
        const points = alongCubics(sideOutline(h, 0.6 * L))
        const ys = points.map(([y]) => y)
        const zs = points.map(([, z]) => z)
        expect(Math.min(...zs)).toBeGreaterThanOrEqual(-1e-9)
        expect(Math.min(...zs)).toBeLessThan(0.5)
        expect(Math.min(...ys)).toBeGreaterThan(-0.01 * L)
        expect(Math.min(...ys)).toBeLessThan(0.01 * L)
        expect(Math.abs(Math.max(...ys) - L)).toBeLessThan(0.01 * L)
      }),
      { numRuns: runs(200) },
    )
  })
})
