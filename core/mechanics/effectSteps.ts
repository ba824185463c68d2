/**
 * How a change is shown: an arrow in four steps by its size, up or down; the number only on demand,
 * never with three digits.
 */
export type EffectKind = 'share' | 'peak' | 'moment'

/** Ends of the steps: load share in points, peak in per cent, moment in N·mm (house steps). */
export const EFFECT_STEPS: Record<EffectKind, readonly [number, number, number]> = {
  share: [0.5, 2, 6],
  peak: [5, 15, 30],
  moment: [50, 150, 350],
}
const WORDS = ['none', 'slight', 'moderate', 'marked'] as const

export interface EffectStep {
  /** 0 to 3 */
  step: 0 | 1 | 2 | 3
  word: (typeof WORDS)[number]
  /** either: it may go both ways */
  way: 'up' | 'down' | 'none' | 'either'
}

/**
 * The step of a change. @example effectStep('moment', -180) // { step: 2, word: 'moderate', way:
 * 'down' }
 */
export function effectStep(kind: EffectKind, change: number): EffectStep {
  const size = Math.abs(change)
  const step = EFFECT_STEPS[kind].filter((end) => size >= end).length as EffectStep['step']
  return { step, word: WORDS[step], way: step === 0 ? 'none' : change > 0 ? 'up' : 'down' }
}

/**
 * The step of a change that lies somewhere between two values: its own one where both go the same way,
 * the larger one, either way, where they do not.
 *
 * @example stepBetween('moment', 40, [-160, 250]) // { step: 2, word: 'moderate', way: 'either' }
 */
export function stepBetween(
  kind: EffectKind,
  change: number,
  [least, most]: readonly [number, number],
): EffectStep {
  const ends = [effectStep(kind, least), effectStep(kind, most)] as const
  if (ends[0].way !== 'down' || ends[1].way !== 'up') return effectStep(kind, change)
  return { ...(ends[0].step > ends[1].step ? ends[0] : ends[1]), way: 'either' }
}

/** A number as far as it is known: two digits. @example twoDigits(163.4) // 160 */
export function twoDigits(value: number): number {
  return Number.isFinite(value) ? Number(value.toPrecision(2)) : value
}
