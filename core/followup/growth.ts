import { addDays, daysBetween } from '../record/isoDay'
import { ageInYears } from '../measure/ageAtVisit'

/** A foot length of a child at a day. */
export interface LengthAt {
  on: string
  lengthMm: number
}

/**
 * Usual growth of the foot, mm a month, by age (defaults): under 3 years 1.5, 3–6 1.0, 6–12 0.8,
 * girls 12–14 and boys 12–16 0.5, then 0.
 */
export function usualGrowthMm(ageYears: number, sex: string | undefined): number {
  if (ageYears < 3) return 1.5
  if (ageYears < 6) return 1
  if (ageYears < 12) return 0.8
  const until = sex === 'female' ? 14 : 16
  return ageYears < until ? 0.5 : 0
}

export const GROWTH = {
  /** how sure the default by age is, mm a month (1 SD) */
  priorSdMm: 0.3,
  /** measuring error of a length, mm (1 SD), where the fitter's own TEM is not known */
  temMm: 1,
  months: 18,
  /** footwear is outgrown when less than this is left before the toes, mm (house default) */
  leastRoomMm: 4,
  /** a mould or device is made again when the foot is this much longer, mm */
  remakeMm: 10,
} as const

export interface GrowthFit {
  /** mm a month, never below 0 */
  slopeMm: number
  slopeSdMm: number
  meanMm: number
  /** day of the middle of what was measured, as months since the first */
  meanMonth: number
  firstOn: string
  count: number
  temMm: number
}

const DAYS_A_MONTH = 365.2425 / 12
/** Months between two ISO days. */
export const monthsBetween = (from: string, to: string): number =>
  daysBetween(from, to) / DAYS_A_MONTH

/**
 * A child's growth: the default by age and the child's own lengths of the last 18 months, weighted
 * by their errors (a straight line with a normal prior on its slope). The slope is never below
 * zero.
 *
 * @returns null without a length
 * @example fitGrowth([{ on: '2026-01-01', lengthMm: 190 }, { on: '2026-07-01', lengthMm: 196 }],
 *   '2017-03-01', undefined).slopeMm // 0.93
 */
export function fitGrowth(
  lengths: readonly LengthAt[],
  bornOn: string,
  sex: string | undefined,
  temMm: number = GROWTH.temMm,
): GrowthFit | null {
  const all = [...lengths].sort((a, b) => (a.on < b.on ? -1 : 1))
  const last = all.at(-1)
  if (!last) return null
  const used = all.filter((l) => monthsBetween(l.on, last.on) <= GROWTH.months)
  const firstOn = used[0]!.on
  const t = used.map((l) => monthsBetween(firstOn, l.on))
  const meanMonth = t.reduce((s, v) => s + v, 0) / t.length
  const meanMm = used.reduce((s, l) => s + l.lengthMm, 0) / used.length
  const spread = t.reduce((s, v) => s + (v - meanMonth) ** 2, 0)
  const cross = used.reduce((s, l, i) => s + (t[i]! - meanMonth) * l.lengthMm, 0)
  const prior = usualGrowthMm(ageInYears(bornOn, last.on), sex)
  const precision = spread / temMm ** 2 + 1 / GROWTH.priorSdMm ** 2
  const slope = (cross / temMm ** 2 + prior / GROWTH.priorSdMm ** 2) / precision
  return {
    slopeMm: Math.max(0, slope),
    slopeSdMm: Math.sqrt(1 / precision),
    meanMm,
    meanMonth,
    firstOn,
    count: used.length,
    temMm,
  }
}

/** Length on a day with its 95 % predictive band (what would be measured), mm. */
export function lengthOn(
  fit: GrowthFit,
  on: string,
): { lengthMm: number; lowMm: number; highMm: number } {
  const dt = monthsBetween(fit.firstOn, on) - fit.meanMonth
  const lengthMm = fit.meanMm + fit.slopeMm * dt
  const sd = Math.sqrt(fit.temMm ** 2 * (1 + 1 / fit.count) + (fit.slopeSdMm * dt) ** 2)
  return { lengthMm, lowMm: lengthMm - 1.96 * sd, highMm: lengthMm + 1.96 * sd }
}

/**
 * The day on which a length is reached, as expected and as early as the band allows; null where the
 * foot does not grow that far in ten years.
 *
 * @param fromOn looked for from this day on
 */
function reachedOn(
  fit: GrowthFit,
  lengthMm: number,
  fromOn: string,
): { expected: string | null; earliest: string | null } {
  const first = (value: (on: string) => number): string | null => {
    for (let day = 0; day <= 3653; day++)
      if (value(addDays(fromOn, day)) >= lengthMm) return addDays(fromOn, day)
    return null
  }
  return {
    expected: first((on) => lengthOn(fit, on).lengthMm),
    earliest: first((on) => lengthOn(fit, on).highMm),
  }
}

/**
 * When footwear is outgrown (toe room under its least) and when a mould or device is made again (10
 * mm longer than when it was made).
 */
export function outgrown(
  fit: GrowthFit,
  todayOn: string,
  {
    insideMm,
    leastRoomMm = GROWTH.leastRoomMm,
    madeAtMm,
  }: { insideMm?: number; leastRoomMm?: number; madeAtMm?: number },
): { footwear: ReturnType<typeof reachedOn> | null; remake: ReturnType<typeof reachedOn> | null } {
  return {
    footwear: insideMm === undefined ? null : reachedOn(fit, insideMm - leastRoomMm, todayOn),
    remake: madeAtMm === undefined ? null : reachedOn(fit, madeAtMm + GROWTH.remakeMm, todayOn),
  }
}
