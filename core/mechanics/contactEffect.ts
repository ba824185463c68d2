import type { ContactResult } from './contact'
import type { PressureRegion } from './pressureRegions'

/**
 * What some change of a device does, against another device under the same foot; per cent of peaks,
 * points of load share.
 */
export interface ContactEffect {
  momentNmm: number
  /** where a device rocks: the least and the most, with the load a little to either side */
  momentBetweenNmm?: [number, number]
  momentFixedNmm: number
  medialHeelPoints: number
  /** change of the peak, per cent, by head from the inside out */
  headPeakPercent: readonly number[]
  heelPeakPercent: number
  archPoints: number
}

const HEADS = [
  'head1',
  'head2',
  'head3',
  'head4',
  'head5',
] as const satisfies readonly PressureRegion[]

/** What effects are read from. */
export type EffectSource = Pick<
  ContactResult,
  'share' | 'peakKPa' | 'momentNmm' | 'momentFixedNmm' | 'rest'
>

/** The change of moment where one of two devices rocks: each pair with its load at the same place. */
function momentBetween(a: EffectSource, b: EffectSource): [number, number] | undefined {
  if (!a.rest?.rocks && !b.rest?.rocks) return undefined
  const at = (r: EffectSource) => [r.momentNmm, ...(r.rest?.asideNmm ?? [r.momentNmm, r.momentNmm])]
  const [from, to] = [at(a), at(b)]
  const changes = to.map((moment, k) => moment - from[k]!)
  return [Math.min(...changes), Math.max(...changes)]
}

/** The part of a change of moment that is there wherever the load stands: the gentlest, or none. */
export function surelyNmm({
  momentNmm,
  momentBetweenNmm,
}: Pick<ContactEffect, 'momentNmm' | 'momentBetweenNmm'>): number {
  if (!momentBetweenNmm) return momentNmm
  const [least, most] = momentBetweenNmm
  if (least <= 0 && most >= 0) return 0
  return least > 0 ? least : most
}

/** Difference of two contacts, b less a. */
export function effectOf(a: EffectSource, b: EffectSource): ContactEffect {
  const percent = (k: PressureRegion) =>
    a.peakKPa[k] > 0 ? 100 * (b.peakKPa[k] / a.peakKPa[k] - 1) : 0
  const heel = (r: EffectSource) => Math.max(r.peakKPa.heelMedial, r.peakKPa.heelLateral)
  const arch = (r: EffectSource) => r.share.midfootMedial
  return {
    momentNmm: b.momentNmm - a.momentNmm,
    momentBetweenNmm: momentBetween(a, b),
    momentFixedNmm: b.momentFixedNmm - a.momentFixedNmm,
    medialHeelPoints: b.share.heelMedial - a.share.heelMedial,
    headPeakPercent: HEADS.map(percent),
    heelPeakPercent: heel(a) > 0 ? 100 * (heel(b) / heel(a) - 1) : 0,
    archPoints: arch(b) - arch(a),
  }
}
