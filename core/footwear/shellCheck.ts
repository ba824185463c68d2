import { bestMean, meanOfReading } from '../measure/reading'
import { normsOf } from '../measure/normsTable'
import { supportedLengthMm } from '../measure/supportedLength'
import type { FittingRecord, ShellCheck } from '../record/schema'
import type { Side } from '../record/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { shellInside } from './gradeShell'
import { workedOffsets } from './worked'

/** A fitter's fingers behind the heel, mm: one, and two side by side; a house default until calibrated. */
export interface Fingers {
  one: number
  two: number
}
export const HOUSE_FINGERS: Fingers = { one: 16, two: 33 }

/**
 * The gap that so many fingers fill, mm: straight lines through none, one and two of this fitter's own.
 *
 * @example fingersMm(1.5, { one: 16, two: 33 }) // 24.5
 */
export const fingersMm = (fingers: number, { one, two }: Fingers = HOUSE_FINGERS): number => (fingers <= 1 ? fingers * one : one + (fingers - 1) * (two - one))

/**
 * The gap behind the heel that a shell check should show, mm: liner out, toes just touching. The foot is as it was then: standing on nothing,
 * or on its device; the shell is as it was worked.
 *
 * @returns null without a foot length or without the shell's length
 */
export function predictedGapMm(record: FittingRecord, side: Side, model: FootwearModel, sizeMm: number, onDevice: boolean): number | null {
  const foot = record.feet[side]
  const standing = foot && bestMean(foot, 'footLengthMm', 'standing')
  const inside = shellInside(model, sizeMm).lengthMm
  if (!foot || standing === undefined || inside === undefined) return null
  const length = onDevice ? supportedLengthMm(standing, meanOfReading(foot, 'footLengthMm', 'sitting'), foot.device?.kind ?? 'none', normsOf(record)) : standing
  const worked = workedOffsets(record.footwear?.chosen?.work ?? []).filter((o) => o.model === model.id && o.foot === side && o.sizeMm === sizeMm && o.station === 'length')
  return inside - length + worked.reduce((sum, o) => sum + o.mm, 0)
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

/** Fewer checks than this teach nothing; as many count as much as the catalogue does (house rule n/(n + 5)). */
const LEAST = 5

/** 97.5 % point of Student's t (Cornish–Fisher expansion; within 2 % from 4 degrees of freedom on). */
function student(df: number): number {
  const z = 1.959964
  return z + (z ** 3 + z) / (4 * df) + (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * df * df)
}

/**
 * How much longer or shorter a model's shells are than its data say: the mean of seen less predicted, shrunk by n/(n + 5). It is used from five
 * checks on and only when its 95 % interval leaves zero out, so that chance is not taken for knowledge.
 *
 * @param checks those of one model, of any client
 * @example learnBias(20 checks around +3 mm) // { usedMm: 2.4, seenMm: 3, count: 20, used: true, … }
 */
export function learnBias(checks: readonly Pick<ShellCheck, 'gapMm' | 'predictedMm'>[]): LearnedBias {
  const off = checks.flatMap((c) => (c.predictedMm === undefined ? [] : [c.gapMm - c.predictedMm]))
  const count = off.length
  const seenMm = count ? off.reduce((s, v) => s + v, 0) / count : 0
  const spread = count > 1 ? Math.sqrt(off.reduce((s, v) => s + (v - seenMm) ** 2, 0) / (count - 1)) : 0
  const half = count > 1 ? (student(count - 1) * spread) / Math.sqrt(count) : Infinity
  const [lowMm, highMm] = [seenMm - half, seenMm + half]
  const used = count >= LEAST && (lowMm > 0 || highMm < 0)
  return { usedMm: used ? (seenMm * count) / (count + LEAST) : 0, seenMm, lowMm, highMm, count, used }
}

/** The learned bias of every model that was checked. */
export function learnAll(checks: readonly ShellCheck[]): Record<string, LearnedBias> {
  const byModel = new Map<string, ShellCheck[]>()
  for (const check of checks) byModel.set(check.model, [...(byModel.get(check.model) ?? []), check])
  return Object.fromEntries([...byModel].map(([model, list]) => [model, learnBias(list)]))
}

/** A bias in words. @example biasWords(bias) // '+2.4 mm learned from 20 shell checks (seen +3.0, 2.7 to 3.3)' */
export function biasWords(b: LearnedBias): string {
  const sign = (v: number) => `${v >= 0 ? '+' : '−'}${Math.abs(v).toFixed(1)}`
  if (b.count < LEAST) return `${b.count} shell ${b.count === 1 ? 'check' : 'checks'} so far, learns from ${LEAST}`
  const seen = `seen ${sign(b.seenMm)}, ${sign(b.lowMm)} to ${sign(b.highMm)}`
  return b.used ? `${sign(b.usedMm)} mm learned from ${b.count} shell checks (${seen})` : `${b.count} shell checks agree with the data (${seen})`
}
