import { FIT_RANGE } from './fitRange'
import { effectStep, stepBetween, twoDigits, type EffectKind, type EffectStep } from './effectSteps'
import type { ContactEffect } from './contactEffect'
import type { DevicePart } from './layerEffects'

/**
 * One effect as it is shown: an arrow by its step; its number with its range only on demand;
 * unknown where none may be told.
 */
export interface EffectCell {
  key: 'medialHeel' | 'arch' | 'head1' | 'head2' | 'head3' | 'head4' | 'head5' | 'moment'
  name: string
  kind: EffectKind
  step: EffectStep
  /** number with its unit and range, two digits; null where only the direction may be told */
  told: string | null
}

const NAMES = {
  medialHeel: 'Inner heel',
  arch: 'Arch',
  head1: 'Head 1',
  head2: 'Head 2',
  head3: 'Head 3',
  head4: 'Head 4',
  head5: 'Head 5',
  moment: 'Turning moment',
} as const
const UNITS: Record<EffectKind, string> = {
  share: ' points of load',
  peak: ' % of peak',
  moment: ' N·mm',
}
/** A number with its sign, minus as in print. */
export const signed = (v: number): string => `${v > 0 ? '+' : v < 0 ? '−' : ''}${Math.abs(v)}`

/**
 * A change with its range over equally good tissue fits. @example rangeWords('moment', 170) //
 * '+170 N·mm (+100 to +260)'
 */
export function rangeWords(kind: EffectKind, change: number): string {
  const [low, high] = FIT_RANGE.map((f) => twoDigits(f * change)) as [number, number]
  return `${signed(twoDigits(change))}${UNITS[kind]} (${signed(low)} to ${signed(high)})`
}

/**
 * A change of moment in words: with its range over tissue fits, or, where the device rocks, from the
 * least to the most that it is as the load moves a little aside.
 */
export function momentWords({ momentNmm, momentBetweenNmm }: MomentChange): string {
  if (!momentBetweenNmm) return rangeWords('moment', momentNmm)
  const [least, most] = momentBetweenNmm.map((v) => signed(twoDigits(v)))
  return `from ${least} to ${most}${UNITS.moment}: a device that rocks turns with the load`
}

type MomentChange = Pick<ContactEffect, 'momentNmm' | 'momentBetweenNmm'>

function momentCell(effect: MomentChange): EffectCell {
  const { momentNmm, momentBetweenNmm: between } = effect
  return {
    key: 'moment',
    name: NAMES.moment,
    kind: 'moment',
    step: between ? stepBetween('moment', momentNmm, between) : effectStep('moment', momentNmm),
    told: momentWords(effect),
  }
}

/**
 * Effects of a change as cells: inner heel and arch by load, heads by peak, turning moment.
 *
 * @param under what was changed: under a rearfoot post the lateral heads are told by direction
 *   alone
 */
export function effectCells(
  effect: ContactEffect,
  under?: { lateralByDirection: boolean },
): EffectCell[] {
  const cell = (
    key: EffectCell['key'],
    kind: EffectKind,
    change: number,
    hidden = false,
  ): EffectCell => ({
    key,
    name: NAMES[key],
    kind,
    step: effectStep(kind, change),
    told: hidden ? null : rangeWords(kind, change),
  })
  return [
    cell('medialHeel', 'share', effect.medialHeelPoints),
    cell('arch', 'share', effect.archPoints),
    ...effect.headPeakPercent.map((change, k) =>
      cell(
        `head${k + 1}` as EffectCell['key'],
        'peak',
        change,
        under?.lateralByDirection === true && k >= 3,
      ),
    ),
    momentCell(effect),
  ]
}

/** Is this part a rearfoot post, or a device with one? */
export const lateralByDirection = (
  device: { posts: readonly { at: string; angleDeg: number }[] },
  part?: DevicePart,
): boolean =>
  part === undefined
    ? device.posts.some((p) => p.at === 'rearfoot' && p.angleDeg !== 0)
    : 'post' in part && device.posts[part.post]?.at === 'rearfoot'

const UP_DOWN = { up: 'up', down: 'down', either: 'either way' } as const
const OUT_IN = { up: 'outward', down: 'inward', either: 'either way, it rocks' } as const

/** A cell in words. For instance `cellWords(cell)` is 'Inner heel up, slight' */
export function cellWords({ name, step, kind }: EffectCell): string {
  if (step.way === 'none') return `${name} as before`
  return `${name} ${(kind === 'moment' ? OUT_IN : UP_DOWN)[step.way]}, ${step.word}`
}
