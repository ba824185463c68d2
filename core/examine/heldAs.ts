import { mean } from 'd3-array'
import type { Findings } from '../kinds/findings/all'
import { subtalarNeutralDeg } from './verdicts'

/**
 * A first ray that was only called plantarflexed or elevated is taken as this far, mm; own
 * assumption.
 */
const CALLED_MM = 3

const meanOf = (v: readonly number[] | undefined) =>
  v && v.length > 0 ? v.reduce((a, b) => a + b, 0) / v.length : undefined

export type NeutralSource = 'palpated' | 'computed' | 'standing' | 'assumed'

/**
 * Angle of heel to leg in neutral, degrees (+ inverted): palpated, else computed from the ranges,
 * else as it stands in neutral, else 0.
 *
 * @example heldNeutral({ ncspDeg: [1, 2] }) // { deg: 1.5, from: 'standing' }
 */
export function heldNeutral(f: Findings | undefined): { deg: number; from: NeutralSource } {
  const palpated = meanOf(f?.neutralPalpatedDeg)
  if (palpated !== undefined) return { deg: palpated, from: 'palpated' }
  const [inversion, eversion] = [
    meanOf(f?.subtalar?.inversionDeg),
    meanOf(f?.subtalar?.eversionDeg),
  ]
  if (inversion !== undefined && eversion !== undefined)
    return { deg: subtalarNeutralDeg(inversion, eversion), from: 'computed' }
  const standing = meanOf(f?.ncspDeg)
  return standing !== undefined ? { deg: standing, from: 'standing' } : { deg: 0, from: 'assumed' }
}

/**
 * Where the first head rests against the others, mm (+ above); null when nobody looked. @example
 * firstRayRestMm({ firstRay: { rest: 'plantarflexed', upMm: [6], downMm: [2] } }) // −2
 */
export function firstRayRestMm(f: Findings | undefined): number | null {
  const ray = f?.firstRay
  if (!ray?.rest) return null
  if (ray.rest === 'level') return 0
  if (ray.upMm !== undefined && ray.downMm !== undefined)
    return (mean(ray.downMm)! - mean(ray.upMm)!) / 2
  return ray.rest === 'elevated' ? CALLED_MM : -CALLED_MM
}
