import type { Foot } from '../record/schema'
import type { Norms } from '../record/tables'
import { bestMean, meanOfReading } from './reading'

const STANDARD_GRAVITY = 9.80665

/**
 * Arch height index: dorsum height at half foot length over arch length (truncated foot length),
 * both of the same posture; an arch length taken in one posture serves both (Williams & McClay
 * 2000).
 *
 * @example archHeightIndex(63, 193) // 0.326
 */
export const archHeightIndex = (dorsumHeightMm: number, archLengthMm: number): number =>
  dorsumHeightMm / archLengthMm

/** Arch height index of a foot in one posture, or undefined when a reading is missing. */
export function archHeightIndexOf(foot: Foot, posture: 'sitting' | 'standing'): number | undefined {
  const dorsum = meanOfReading(foot, 'dorsumHeightMm', posture)
  const arch = bestMean(foot, 'archLengthMm', posture)
  return dorsum !== undefined && arch !== undefined ? archHeightIndex(dorsum, arch) : undefined
}

/**
 * Difference of the index below which stiffness is not a number but 'stiffer than can be measured'.
 */
const STIFFNESS_FLOOR = 0.005

/**
 * Arch stiffness, N per unit of index: 0.4·m·g over the fall of the index from seated (10 % of body
 * weight on each foot) to standing (50 %) (Zifchock 2006).
 *
 * @returns null when the fall is too small to be measured
 * @example archStiffness(75, 0.36, 0.34) // 14709.98
 */
export function archStiffness(massKg: number, seated: number, standing: number): number | null {
  const fall = seated - standing
  return fall <= STIFFNESS_FLOOR + 1e-12 ? null : (0.4 * massKg * STANDARD_GRAVITY) / fall
}

/**
 * Standing index class of an adult: below the first limit low, above the second high.
 *
 * @example archHeightClass(0.3, HOUSE_NORMS.archHeightStanding) // 'low'
 */
export const archHeightClass = (
  standing: number,
  [low, high]: Norms['archHeightStanding'],
): 'low' | 'usual' | 'high' => (standing < low ? 'low' : standing > high ? 'high' : 'usual')

/**
 * Navicular drop class, seated-neutral variant after Brody 1982: below the first limit small, to the
 * second usual, to the third marked, above large. Brody read both heights standing; the two are not
 * interchangeable.
 *
 * @example navicularDropClass(7, HOUSE_NORMS.navicularDropMm) // 'usual'
 */
export const navicularDropClass = (
  dropMm: number,
  [usual, marked, large]: Norms['navicularDropMm'],
): 'small' | 'usual' | 'marked' | 'large' =>
  dropMm < usual ? 'small' : dropMm <= marked ? 'usual' : dropMm <= large ? 'marked' : 'large'
