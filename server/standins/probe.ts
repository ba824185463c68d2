import { seeded } from '../../core/capture/standin/random'

/**
 * A made-up apparatus: steady rise over the room for one unit of drive, K; time constant, min;
 * noise of the probe, K.
 */
export const APPARATUS: Record<string, { gainK: number; tauMin: number; noiseK: number }> = {
  oven: { gainK: 150, tauMin: 6.5, noiseK: 0.5 },
  tray: { gainK: 95, tauMin: 5, noiseK: 0.4 },
  blower: { gainK: 85, tauMin: 4, noiseK: 0.6 },
  mould: { gainK: 78, tauMin: 18, noiseK: 0.3 },
}
const ROOM_C = 21

/**
 * The stand-in probe: temperature some minutes after it was `startC`, at a drive held since; the
 * noise is repeatable by seed and minute.
 */
export function probeReading(
  apparatus: string,
  minutes: number,
  drive: number,
  startC = ROOM_C,
  seed = 1,
): number {
  const { gainK, tauMin, noiseK } = APPARATUS[apparatus] ?? APPARATUS.oven!
  const steady = ROOM_C + gainK * drive
  const noise = seeded(seed * 100_003 + Math.round(minutes * 600)).normal()
  return (
    Math.round(10 * (steady + (startC - steady) * Math.exp(-minutes / tauMin) + noiseK * noise)) /
    10
  )
}
