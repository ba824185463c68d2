import type { HeatFit } from './fitHeat'

/** Steady temperature at a drive, °C. */
export const steadyC = (fit: HeatFit, drive: number = fit.drive): number =>
  fit.ambientC + (fit.gain ?? 0) * drive

/** Temperature some minutes after the last reading, at a drive held from then on, °C. */
export function temperatureAt(
  fit: HeatFit,
  minutesLater: number,
  drive: number = fit.drive,
): number {
  const steady = steadyC(fit, drive)
  return steady + (fit.nowC - steady) * Math.exp(-minutesLater / fit.tauMin)
}

/**
 * Minutes from the last reading until a temperature is passed, at a drive held from then on; 0
 * where it is passed already, null where it never is.
 */
export function minutesTo(fit: HeatFit, celsius: number, drive: number = fit.drive): number | null {
  const steady = steadyC(fit, drive)
  const rising = steady > fit.nowC
  if (rising ? fit.nowC >= celsius : fit.nowC <= celsius) return 0
  const share = (steady - celsius) / (steady - fit.nowC)
  return share <= 0 || share >= 1 ? null : -fit.tauMin * Math.log(share)
}

export interface HeatForecast {
  steadyC: number
  /**
   * minutes from the last reading to the working window; 0 inside it, null where it is never
   * reached or none is given
   */
  toWindowMin: number | null
  /** will it go on beyond the window's upper edge? */
  overshoot: boolean
  /**
   * minutes from the last reading until it leaves the window through its top; null where it does
   * not
   */
  leavesMin: number | null
  /**
   * minutes of cooling without drive to a temperature that can be handled; null where the
   * surroundings are warmer
   */
  toHandlingMin: number | null
}

/** Temperature at which a piece is taken into the hand, °C (house default). */
export const HANDLING_C = 45

/**
 * What will happen at the drive of the last reading: when the working window is reached, whether it
 * is overshot, how long cooling takes.
 */
export function forecast(
  fit: HeatFit,
  window: readonly [number, number] | null,
  handlingC = HANDLING_C,
): HeatForecast {
  const steady = steadyC(fit)
  const off = { ...fit, gain: 0 }
  const handling = minutesTo(off, handlingC, 0)
  const cooling = { toHandlingMin: fit.nowC <= handlingC ? 0 : handling }
  if (!window)
    return { steadyC: steady, toWindowMin: null, overshoot: false, leavesMin: null, ...cooling }
  const [low, high] = window
  const overshoot = steady > high
  const inside = fit.nowC >= low && fit.nowC <= high
  const to = inside ? 0 : fit.nowC < low ? minutesTo(fit, low) : minutesTo(fit, high)
  const leaves = overshoot && fit.nowC < high ? minutesTo(fit, high) : null
  return {
    steadyC: steady,
    toWindowMin: fit.nowC < low && steady <= low ? null : to,
    overshoot,
    leavesMin: overshoot && fit.nowC >= high ? 0 : leaves,
    ...cooling,
  }
}

/**
 * Drive whose steady temperature lies in the middle of a window. Null where the apparatus was never
 * driven.
 */
export const driveFor = (fit: HeatFit, [low, high]: readonly [number, number]): number | null =>
  fit.gain === null || fit.gain === 0 ? null : ((low + high) / 2 - fit.ambientC) / fit.gain
