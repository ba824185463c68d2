import { expect, it } from 'vitest'
import { priorsByApparatus } from '../../../core/bench/heat/priors'

/** A heating curve of a first-order apparatus: gain over 20 °C, time constant, minutes. */
const log = (
  apparatus: string,
  gain: number,
  tau = 4,
  minutes = 12,
  stoppedAt: string | null = 'x',
) => ({
  apparatus,
  stoppedAt,
  readings: Array.from({ length: 2 * minutes }, (_, i) => ({
    minutes: i / 2,
    celsius: 20 + gain * (1 - Math.exp(-i / 2 / tau)),
    drive: 1,
  })),
})

it('tells each apparatus apart', () => {
  const priors = priorsByApparatus([log('oven', 120), log('tray', 60)])
  expect(priors.oven!.gain).toBeCloseTo(120, 0)
  expect(priors.tray!.gain).toBeCloseTo(60, 0)
  expect(priors.tray!.tauMin).toBeCloseTo(4, 1)
})

it('logs that still run, or have only begun, say nothing', () => {
  expect(priorsByApparatus([log('oven', 120, 4, 12, null), log('oven', 120, 4, 4)])).toEqual({})
})

it('only the eight newest count', () => {
  const newest = Array.from({ length: 8 }, () => log('oven', 100))
  const priors = priorsByApparatus([...newest, log('oven', 200), log('oven', 200)])
  expect(priors.oven!.gain).toBeCloseTo(100, 0)
})
