import { monitorEventLoopDelay } from 'node:perf_hooks'

/** How finely it is measured, ms; that much of every delay is the measure's own. */
const FINE_MS = 5

const delay = monitorEventLoopDelay({ resolution: FINE_MS })

/** Begins to measure. @returns what ends it */
export function watchLoop(): () => void {
  delay.enable()
  return () => void delay.disable()
}

/** The longest that one piece of work held up all others since this was asked last, ms. */
export function longestHoldUpMs(): number {
  const ms = Math.max(0, delay.max / 1e6 - FINE_MS)
  delay.reset()
  return Math.round(ms)
}
