import { describe, expect, it } from 'vitest'
import { heatStory, priorOf } from '../../../core/bench/heat/heatStory'
import { probeReading } from '../../../server/standins/probe'

describe('the heat of a piece', () => {
  const log = (apparatus: string, until: number, seed: number) =>
    Array.from({ length: Math.round(until * 12) + 1 }, (_, k) => ({
      minutes: k / 12,
      celsius: probeReading(apparatus, k / 12, 1, 21, seed),
      drive: 1,
    }))
  const window = { id: 'polypropylene', name: 'sheet', lowC: 160, highC: 168 }
  it('is not foretold from a few seconds, unless the apparatus is known', () => {
    expect(heatStory(log('oven', 0.4, 1), window)).toMatchObject({
      fit: null,
      ahead: null,
      why: expect.stringMatching(/Too early/),
    })
    const prior = priorOf([3, 4, 5].map((seed) => log('oven', 14, seed)))!
    expect([prior.gain, prior.tauMin]).toEqual([expect.closeTo(150, -1), expect.closeTo(6.5, 0)])
    expect(heatStory(log('oven', 0.4, 1), window, prior).ahead!.overshoot).toBe(true)
    expect(heatStory([], window)).toMatchObject({ fit: null, now: null })
    expect(priorOf([log('oven', 2, 1)])).toBeUndefined()
  })
  it('is warned of before it passes the window, with the minutes until it does', () => {
    // 21 + 150 = 171 °C steady, over 168: it leaves at 6.5·ln(150/3) = 25.4 min.
    const { ahead, now, curve } = heatStory(
      log('oven', 9, 2),
      window,
      priorOf([3, 4].map((seed) => log('oven', 14, seed))),
    )
    expect(now!.celsius).toBeLessThan(window.lowC)
    expect(ahead!.overshoot).toBe(true)
    expect(9 + ahead!.leavesMin!).toBeGreaterThan(16)
    expect(9 + ahead!.toWindowMin!).toBeCloseTo(6.5 * Math.log(150 / 11), 0)
    expect(curve.at(-1)!.bandC).toBeGreaterThan(curve[0]!.bandC)
  })
})
