import type { HeatPrior } from './fitHeat'
import type { HeatReading } from './heatLog'
import { priorOf } from './heatStory'

/** A log as far as it can tell something of its apparatus. */
export interface PastLog {
  apparatus: string
  stoppedAt: string | null
  readings: readonly HeatReading[]
}

/** A log of fewer readings says nothing of its apparatus. */
const LEAST_READINGS = 9
/** So many of the newest logs count: an element ages, a tray is filled anew. */
const MOST_LOGS = 8

/**
 * What the shop's own finished logs say of each apparatus, from the newest of each.
 *
 * @param logs newest first
 */
export function priorsByApparatus(
  logs: readonly PastLog[],
): Partial<Record<string, HeatPrior | undefined>> {
  const told = logs.filter((log) => log.stoppedAt && log.readings.length >= LEAST_READINGS)
  return Object.fromEntries(
    [...new Set(told.map((log) => log.apparatus))].map((apparatus) => [
      apparatus,
      priorOf(
        told
          .filter((log) => log.apparatus === apparatus)
          .slice(0, MOST_LOGS)
          .map((log) => log.readings),
      ),
    ]),
  )
}
