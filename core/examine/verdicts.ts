import { degrees } from '../geometry/tilt'
import type { Norms } from '../record/tables'

export type PostureClass =
  'supinated' | 'stronglySupinated' | 'normal' | 'pronated' | 'stronglyPronated'

/**
 * Neutral position of the subtalar joint, one third of the whole range from the everted end: (I +
 * E)/3 − E, + is rearfoot varus.
 *
 * @param inversionDeg largest inversion, positive degrees
 * @param eversionDeg largest eversion, positive degrees
 * @example subtalarNeutralDeg(23, 9.5) // 1.33
 */
export const subtalarNeutralDeg = (inversionDeg: number, eversionDeg: number): number =>
  (inversionDeg + eversionDeg) / 3 - eversionDeg

/** Sums of the six posture items that are called normal (Redmond 2006). */
export const USUAL_POSTURE = [0, 5] as const

/**
 * Sum of the six posture items (Redmond 2006): 0…5 normal, 6…9 pronated, from 10 strongly; −1…−4
 * supinated, to −5 strongly.
 */
export function postureClassOf(sum: number): PostureClass {
  if (sum >= 10) return 'stronglyPronated'
  if (sum > USUAL_POSTURE[1]) return 'pronated'
  if (sum >= USUAL_POSTURE[0]) return 'normal'
  return sum >= -4 ? 'supinated' : 'stronglySupinated'
}

export type FirstToe =
  'usual' | 'limited' | 'functionalLimit' | 'rigid0' | 'rigid1' | 'rigid2' | 'rigid3' | 'rigid4'

/**
 * Great toe extension. From the usual range on unloaded: held under load is a functional limit, else
 * usual; down to the short range limited; below it the range as in the grades of Coughlin & Shurnas
 * when the joint is stiff or painful, else limited. The true grade needs an X-ray.
 *
 * @example firstToeOf(70, 10, false, false, HOUSE_NORMS.firstToeDeg) // 'functionalLimit'
 */
export function firstToeOf(
  unloadedDeg: number,
  loadedDeg: number | undefined,
  stiffOrPainful: boolean,
  midRangePain: boolean,
  limits: Norms['firstToeDeg'],
): FirstToe {
  if (unloadedDeg >= limits.usualFrom)
    return loadedDeg !== undefined && loadedDeg <= limits.heldTo ? 'functionalLimit' : 'usual'
  if (unloadedDeg >= limits.shortTo || !stiffOrPainful) return 'limited'
  if (unloadedDeg >= 40) return 'rigid0'
  if (unloadedDeg >= 30) return 'rigid1'
  if (unloadedDeg > 10) return 'rigid2'
  return midRangePain ? 'rigid4' : 'rigid3'
}

export type Ankle = 'usual' | 'calfLimited' | 'jointLimited'

/**
 * Ankle dorsiflexion. Knee straight below the least range and bent from it on with enough gained:
 * the calf limits; both below it: the joint or soleus.
 *
 * @example ankleOf(8, 16, HOUSE_NORMS.ankleDeg) // 'calfLimited'
 */
export function ankleOf(straightDeg: number, bentDeg: number, limits: Norms['ankleDeg']): Ankle {
  const { least, gain } = limits
  if (straightDeg < least && bentDeg < least) return 'jointLimited'
  return straightDeg < least && bentDeg - straightDeg >= gain ? 'calfLimited' : 'usual'
}

/**
 * What a boot asks of the ankle: cuff lean from the vertical less the boot board's ramp (raising
 * the heel reduces it), both against the boot's sole; set against the range with bent knee, some of
 * it in reserve.
 *
 * @returns demand and what is left, degrees; negative is missing
 * @example bootDemand(14, 4, 12, HOUSE_NORMS.ankleDeg) // { demandDeg: 10, leftDeg: -1 }
 */
export function bootDemand(
  leanDeg: number,
  rampDeg: number,
  bentDeg: number,
  { reserve }: Norms['ankleDeg'],
): { demandDeg: number; leftDeg: number } {
  const demandDeg = leanDeg - rampDeg
  return { demandDeg, leftDeg: bentDeg - reserve - demandDeg }
}

/** Length of the heel's centre from the rear, share of foot length. */
const HEEL_CENTRE_SHARE = 0.14

/**
 * Tilt by a wedge that tapers to the ball, h at its rear edge: atan(h/A).
 *
 * @param archLengthMm A, mm
 * @example wedgeTiltDeg(3.3, 190) // 0.995
 */
export const wedgeTiltDeg = (heightMm: number, archLengthMm: number): number =>
  degrees(Math.atan(heightMm / archLengthMm))

/**
 * Tilt by a lift of full height under the heel's centre: atan(h/(A − 0.14·L)).
 *
 * @example liftTiltDeg(2.7, 190, 260) // 1.007
 */
export const liftTiltDeg = (heightMm: number, archLengthMm: number, footLengthMm: number): number =>
  degrees(Math.atan(heightMm / (archLengthMm - HEEL_CENTRE_SHARE * footLengthMm)))

/**
 * Lift under the heel's centre that tilts by so many degrees, mm. @example liftForDeg(4, 190, 260)
 * // 10.74
 */
export const liftForDeg = (deg: number, archLengthMm: number, footLengthMm: number): number =>
  Math.tan((deg * Math.PI) / 180) * (archLengthMm - HEEL_CENTRE_SHARE * footLengthMm)
