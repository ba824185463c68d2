import { Refusal } from '../../record/refusal'
import { fitHeat, type HeatFit, type HeatPrior } from './fitHeat'
import { forecast, temperatureAt, type HeatForecast } from './predictHeat'
import type { HeatReading } from './heatLog'
import type { HeatWindow } from '../../tables/heatWindows'

/** What a log says so far, with the curve ahead. */
export interface HeatStory {
  fit: HeatFit | null
  /** why there is no fit yet */
  why: string
  ahead: HeatForecast | null
  /**
   * curve ahead, each with the half width of its band: readings' scatter, and the window's share of
   * what is still unsure
   */
  curve: { minutes: number; celsius: number; bandC: number }[]
  now: HeatReading | null
}

/**
 * The fit forgets its sureness with the way ahead: so much of the rise that is still to come is
 * added to the band, of a log without a prior.
 */
const AHEAD_SHARE = 0.08
const AHEAD_SHARE_KNOWN = 0.04
const STEPS = 60
/**
 * A log that knows nothing of its apparatus says nothing before so many minutes and so much of a
 * rise, °C (house limits: a dozen times the probe's error).
 */
const LEAST_MIN = 1
const LEAST_RISE_C = 6

/**
 * Fits a log and looks ahead at the drive of its last reading.
 *
 * @param aheadMin how far the curve is drawn, min
 */
export function heatStory(
  log: readonly HeatReading[],
  window: HeatWindow | null,
  prior?: HeatPrior,
  aheadMin = 12,
): HeatStory {
  const now = log.at(-1) ?? null
  const rise = Math.max(...log.map((r) => r.celsius)) - Math.min(...log.map((r) => r.celsius))
  const span = log.length ? log.at(-1)!.minutes - log[0]!.minutes : 0
  if (!prior && log.length > 0 && (span < LEAST_MIN || rise < LEAST_RISE_C))
    return {
      fit: null,
      why: 'Too early to say: it takes a minute and six degrees.',
      ahead: null,
      curve: [],
      now,
    }
  try {
    const fit = fitHeat(log, { ...(prior && { prior }) })
    const share = prior ? AHEAD_SHARE_KNOWN : AHEAD_SHARE
    const curve = Array.from({ length: STEPS + 1 }, (_, i) => {
      const later = (aheadMin * i) / STEPS
      const celsius = temperatureAt(fit, later)
      return {
        minutes: fit.lastMin + later,
        celsius,
        bandC: fit.bandC + share * Math.abs(celsius - fit.nowC),
      }
    })
    return {
      fit,
      why: '',
      ahead: forecast(fit, window ? [window.lowC, window.highC] : null),
      curve,
      now,
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error
    return { fit: null, why: error.message, ahead: null, curve: [], now }
  }
}

/**
 * Prior of an apparatus from its earlier logs: the mean of their gains and time constants, as sure
 * as they agree (at least 10 %).
 *
 * @returns undefined without a log that could be fitted
 */
export function priorOf(logs: readonly (readonly HeatReading[])[]): HeatPrior | undefined {
  const fits = logs.flatMap((log) => {
    try {
      const fit = fitHeat(log)
      // A log that stopped early says little of where it would have ended.
      return fit.gain !== null && fit.gain > 0 && log.at(-1)!.minutes - log[0]!.minutes > fit.tauMin
        ? [{ gain: fit.gain, tauMin: fit.tauMin }]
        : []
    } catch (error) {
      if (error instanceof Refusal) return []
      throw error
    }
  })
  if (fits.length === 0) return undefined
  const mean = (of: (f: (typeof fits)[number]) => number) =>
    fits.reduce((s, f) => s + of(f), 0) / fits.length
  const [gain, tauMin] = [mean((f) => f.gain), mean((f) => f.tauMin)]
  const spread = Math.sqrt(
    Math.max(
      ...(['gain', 'tauMin'] as const).map((k) =>
        mean((f) => (f[k] / (k === 'gain' ? gain : tauMin) - 1) ** 2),
      ),
    ),
  )
  return { gain, tauMin, share: Math.max(0.1, spread, 0.3 / Math.sqrt(fits.length)) }
}
