import { student95 } from '../measure/student'
import { bestMean, meanOfReading } from '../measure/reading'
import { normsOf, type Norms } from '../record/tables'
import { supportedLengthMm } from '../measure/supportedLength'
import { CHECK_PLACES, type FittingRecord, type ShellCheck } from '../record/schema'
import type { Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { clearances, standingFoot } from './clearance'
import { shellInside } from './gradeShell'
import { sockMm, socksOf } from './socks'
import { sumOffsets, workedOffsets } from './shownOffsets'

/** A fitter's fingers behind the heel, mm: one, and two side by side. */
export type Fingers = Norms['fingersMm']

/**
 * The gap that so many fingers fill, mm: straight lines through none, one and two of this fitter's
 * own.
 *
 * @example fingersMm(1.5, { one: 16, two: 33 }) // 24.5
 */
export const fingersMm = (fingers: number, { one, two }: Fingers): number =>
  fingers <= 1 ? fingers * one : one + (fingers - 1) * (two - one)

/**
 * The gap behind the heel that a shell check should show, mm: liner out, toes just touching. The
 * foot is as it was then: standing on nothing, or on its device; the shell is as it was worked.
 *
 * @returns null without a foot length or without the shell's length
 */
export function predictedGapMm(
  record: FittingRecord,
  side: Side,
  model: FootwearModel,
  sizeMm: number,
  onDevice: boolean,
): number | null {
  const foot = record.feet[side]
  const standing = foot && bestMean(foot, 'footLengthMm', 'standing')
  const inside = shellInside(model, sizeMm).lengthMm
  if (!foot || standing === undefined || inside === undefined) return null
  const length = onDevice
    ? supportedLengthMm(
        standing,
        meanOfReading(foot, 'footLengthMm', 'sitting'),
        foot.device?.kind ?? 'none',
        normsOf(record),
      )
    : standing
  return inside - length + (workedRoom(record, side, model, sizeMm).length ?? 0)
}

/** Room that work on this shell gave, by station. */
const workedRoom = (record: FittingRecord, side: Side, model: FootwearModel, sizeMm: number) =>
  sumOffsets(workedOffsets(record.footwear?.chosen?.work ?? []), model.id, side, sizeMm)

/** Less room than this touches, mm (house default). */
const TOUCHES_BELOW_MM = 1

/**
 * What the look at four places should show, liner out, heel back, in the sock: room a side, and
 * whether the foot is clear of the wall, touches it or presses on it. Places without a measure are
 * left out.
 */
export function predictedLooks(
  record: FittingRecord,
  side: Side,
  model: FootwearModel,
  sizeMm: number,
): Partial<
  Record<(typeof CHECK_PLACES)[number], { roomMm: number; look: 'clear' | 'touches' | 'presses' }>
> {
  const foot = record.feet[side]
  const standing = foot && standingFoot(foot, null, normsOf(record))
  if (!standing) return {}
  const bare = {
    ...model,
    liner: {
      ...model.liner,
      packOut: 0,
      thicknessMm: { toe: 0, ball: 0, instep: 0, ankle: 0, heel: 0 },
    },
  }
  const room = clearances(
    standing,
    bare,
    sizeMm,
    sockMm(socksOf(record), model.family),
    workedRoom(record, side, model, sizeMm),
  ).worn
  return Object.fromEntries(
    CHECK_PLACES.flatMap((place) => {
      const roomMm = room[place]
      return roomMm === null
        ? []
        : [
            [
              place,
              {
                roomMm,
                look: roomMm < 0 ? 'presses' : roomMm < TOUCHES_BELOW_MM ? 'touches' : 'clear',
              },
            ],
          ]
    }),
  )
}

/** What the shell checks of a shop say of one model. */
export interface LearnedBias {
  /** what is added to the predicted length, mm; 0 while it is not used */
  usedMm: number
  /** mean of seen less predicted, with its 95 % interval, mm */
  seenMm: number
  lowMm: number
  highMm: number
  count: number
  used: boolean
}

/**
 * Fewer checks than this teach nothing; as many count as much as the catalogue does (house rule
 * n/(n + 5)).
 */
const LEAST = 5

/**
 * How much longer or shorter a model's shells are than its data say: the mean of seen less
 * predicted, shrunk by n/(n + 5). It is used from five checks on and only when its 95 % interval
 * leaves zero out, so that chance is not taken for knowledge.
 *
 * @param checks those of one model, of any client
 * For instance `learnBias(20 checks around +3 mm)` is { usedMm: 2.4, seenMm: 3, count: 20, used: true, …
 *   }
 */
export function learnBias(
  checks: readonly Pick<ShellCheck, 'gapMm' | 'predictedMm'>[],
): LearnedBias {
  const off = checks.flatMap((c) => (c.predictedMm === undefined ? [] : [c.gapMm - c.predictedMm]))
  const count = off.length
  const seenMm = count ? off.reduce((s, v) => s + v, 0) / count : 0
  const spread =
    count > 1 ? Math.sqrt(off.reduce((s, v) => s + (v - seenMm) ** 2, 0) / (count - 1)) : 0
  const half = count > 1 ? (student95(count - 1) * spread) / Math.sqrt(count) : Infinity
  const [lowMm, highMm] = [seenMm - half, seenMm + half]
  const used = count >= LEAST && (lowMm > 0 || highMm < 0)
  return {
    usedMm: used ? (seenMm * count) / (count + LEAST) : 0,
    seenMm,
    lowMm,
    highMm,
    count,
    used,
  }
}

/** The learned bias of every model that was checked. */
export function learnAll(checks: readonly ShellCheck[]): Record<string, LearnedBias> {
  const byModel = new Map<string, ShellCheck[]>()
  for (const check of checks) byModel.set(check.model, [...(byModel.get(check.model) ?? []), check])
  return Object.fromEntries([...byModel].map(([model, list]) => [model, learnBias(list)]))
}

/**
 * A bias in words. For instance `biasWords(bias)` is '+2.4 mm learned from 20 shell checks (seen +3.0,
 * 2.7 to 3.3)'
 */
export function biasWords(b: LearnedBias): string {
  const sign = (v: number) => `${v >= 0 ? '+' : '−'}${Math.abs(v).toFixed(1)}`
  if (b.count < LEAST)
    return `${b.count} shell ${b.count === 1 ? 'check' : 'checks'} so far, learns from ${LEAST}`
  const seen = `seen ${sign(b.seenMm)}, ${sign(b.lowMm)} to ${sign(b.highMm)}`
  return b.used
    ? `${sign(b.usedMm)} mm learned from ${b.count} shell checks (${seen})`
    : `${b.count} shell checks agree with the data (${seen})`
}
