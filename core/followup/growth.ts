import { addDays, daysBetween } from '../record/isoDay'
import { ageInYears } from '../measure/ageAtVisit'
import type { Norms } from '../record/tables'

/** A foot length of a child at a day. */
export interface LengthAt {
  on: string
  lengthMm: number
}

/** The rows of the tables by which growth is told. */
export type GrowthRows = Pick<Norms, 'usualGrowth' | 'growthFit' | 'outgrownMm'>

/** What is known of footwear that may be outgrown. */
export interface WornInside {
  /** length inside the liner, mm */
  lengthMm: number
  /** least room that its toes need, mm */
  leastRoomMm: number
}

/**
 * Usual growth of the foot, mm a month, by age and sex.
 *
 * @example usualGrowthMm(4, undefined, HOUSE_NORMS) // 1
 */
export function usualGrowthMm(
  ageYears: number,
  sex: string | undefined,
  { usualGrowth }: Pick<Norms, 'usualGrowth'>,
): number {
  if (ageYears < 3) return usualGrowth.under3Mm
  if (ageYears < 6) return usualGrowth.from3Mm
  if (ageYears < 12) return usualGrowth.from6Mm
  const until = sex === 'female' ? usualGrowth.girlsUntilYears : usualGrowth.boysUntilYears
  return ageYears < until ? usualGrowth.from12Mm : 0
}

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
 * A child's growth: the usual by age and the child's own lengths of the last months, weighted by
 * their errors (a straight line with a normal prior on its slope). The slope is never below
 * zero.
 *
 * @param temMm measuring error of a length, mm (1 SD), where the fitter's own is known
 * @returns null without a length
 * @example fitGrowth([{ on: '2026-01-01', lengthMm: 190 }, { on: '2026-07-01', lengthMm: 196 }],
 *   '2017-03-01', undefined, HOUSE_NORMS).slopeMm // 0.93
 */
export function fitGrowth(
  lengths: readonly LengthAt[],
  bornOn: string,
  sex: string | undefined,
  rows: GrowthRows,
  temMm: number = rows.growthFit.lengthSdMm,
): GrowthFit | null {
  const all = [...lengths].sort((a, b) => (a.on < b.on ? -1 : 1))
  const last = all.at(-1)
  if (!last) return null
  const used = all.filter((l) => monthsBetween(l.on, last.on) <= rows.growthFit.months)
  const firstOn = used[0]!.on
  const t = used.map((l) => monthsBetween(firstOn, l.on))
  const meanMonth = t.reduce((s, v) => s + v, 0) / t.length
  const meanMm = used.reduce((s, l) => s + l.lengthMm, 0) / used.length
  const spread = t.reduce((s, v) => s + (v - meanMonth) ** 2, 0)
  const cross = used.reduce((s, l, i) => s + (t[i]! - meanMonth) * l.lengthMm, 0)
  const prior = usualGrowthMm(ageInYears(bornOn, last.on), sex, rows)
  const precision = spread / temMm ** 2 + 1 / rows.growthFit.usualSdMm ** 2
  const slope = (cross / temMm ** 2 + prior / rows.growthFit.usualSdMm ** 2) / precision
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
 * When footwear is outgrown (toe room inside the liner under the least of its family) and when a mould or device is made again
 * (the foot so much longer than when it was made).
 */
export function outgrown(
  fit: GrowthFit,
  todayOn: string,
  { inside, madeAtMm }: { inside?: WornInside; madeAtMm?: number },
  { outgrownMm }: Pick<Norms, 'outgrownMm'>,
): { footwear: ReturnType<typeof reachedOn> | null; remake: ReturnType<typeof reachedOn> | null } {
  return {
    footwear:
      inside === undefined ? null : reachedOn(fit, inside.lengthMm - inside.leastRoomMm, todayOn),
    remake: madeAtMm === undefined ? null : reachedOn(fit, madeAtMm + outgrownMm.remakeMm, todayOn),
  }
}
