import type { Learned } from './jobSteps'
import type { Process } from '../tables/processes'

/** A line of the bench's log: what a step really took. */
export interface StepTook {
  /** `process:step` */
  step: string
  actualMin: number
}

export interface StepTime {
  step: string
  words: string
  process: string
  houseMin: number
  count: number
  medianMin: number | null
  /** lower and upper quartile */
  spreadMin: readonly [number, number] | null
  /** what the day is planned with */
  minutes: number
  /**
   * left out: shorter than a tenth or longer than four times the house value, a tick forgotten or
   * made at once
   */
  leftOut: number
}

/** The house value counts as so many of the shop's own. */
const HOUSE_COUNTS = 5
const FORGOTTEN = 4
const AT_ONCE = 0.1

const quantile = (sorted: readonly number[], q: number): number => {
  const at = (sorted.length - 1) * q
  const low = Math.floor(at)
  return sorted[low]! + (sorted[Math.min(low + 1, sorted.length - 1)]! - sorted[low]!) * (at - low)
}

/**
 * The shop's own minutes: the median of what a step took, drawn towards the house value by 5/(n+5),
 * so that two quick days do not overturn the plan.
 *
 * @example learnDurations([{ step: 'trim-to-fit:trim', actualMin: 8 }], HOUSE_TABLES.processes).find((t)
 *   => t.step === 'trim-to-fit:trim').minutes // 5: (5·4 + 8)/6 = 4.67
 */
export function learnDurations(
  log: readonly StepTook[],
  processes: readonly Process[],
): StepTime[] {
  const took = new Map<string, number[]>()
  for (const { step, actualMin } of log) {
    const own = took.get(step)
    if (own) own.push(actualMin)
    else took.set(step, [actualMin])
  }
  return processes.flatMap((process) =>
    process.steps.map((step): StepTime => {
      const key = `${process.id}:${step.id}`
      const all = took.get(key) ?? []
      const used = all
        .filter(
          (m) =>
            step.minutes === 0 || (m <= step.minutes * FORGOTTEN && m >= step.minutes * AT_ONCE),
        )
        .sort((a, b) => a - b)
      const medianMin = used.length ? quantile(used, 0.5) : null
      const minutes =
        medianMin === null
          ? step.minutes
          : Math.max(
              1,
              Math.round(
                (HOUSE_COUNTS * step.minutes + used.length * medianMin) /
                  (HOUSE_COUNTS + used.length),
              ),
            )
      return {
        step: key,
        words: step.words,
        process: process.name,
        houseMin: step.minutes,
        count: used.length,
        medianMin,
        spreadMin: used.length ? [quantile(used, 0.25), quantile(used, 0.75)] : null,
        minutes,
        leftOut: all.length - used.length,
      }
    }),
  )
}

/** Learned minutes by `process:step`, for those with anything in the log. */
export const learnedMinutes = (times: readonly StepTime[]): Learned =>
  Object.fromEntries(
    times.filter((t) => t.count > 0).map((t) => [t.step, { minutes: t.minutes, count: t.count }]),
  )
