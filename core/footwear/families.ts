import type { Family } from '../record/vocabulary'
import type { Station } from './stationWords'

/** What a family of footwear is to a fitter: how hard it is, which stations decide, and what is said of it. */
export interface FamilyRules {
  name: string
  plural: string
  /** one compressed sock, mm, where nothing else was recorded: boots and skates 1, shoes 1.5 */
  sockMm: number
  /** weight of a millimetre of misfit; what is not named decides little (OTHER_WEIGHT) */
  weights: Partial<Record<Station, number>>
  /** said beside every candidate of the family */
  rules: readonly string[]
}

/** Weight of a station that a family does not hold the foot by. */
export const OTHER_WEIGHT = 0.1

/** Rules of the families (workshop practice; the numbers are house defaults). */
export const FAMILY_RULES: Readonly<Record<Family, FamilyRules>> = {
  'rigid-shell': {
    name: 'rigid shell with liner',
    plural: 'rigid shells',
    sockMm: 1,
    weights: {
      length: 1,
      toeBox: 0.5,
      toeBoxHeight: 0.6,
      ball: 1,
      ballHeight: 0.6,
      waist: 1,
      instep: 1,
      instepHeight: 0.7,
      heel: 1.2,
      heelInstep: 1,
      ankle: 0.8,
      cuff: 0.4,
      fifthToe: 0.5,
      fifthMet: 0.6,
      navicular: 0.6,
    },
    rules: ['The bare shell decides: liners pack out, plastic does not.'],
  },
  skate: {
    name: 'moulded skate',
    plural: 'skates',
    sockMm: 1,
    weights: {
      length: 1,
      toeBox: 0.6,
      toeBoxHeight: 0.6,
      ball: 1,
      ballHeight: 0.6,
      waist: 1,
      instep: 1.1,
      instepHeight: 0.8,
      heel: 1.3,
      heelInstep: 1.1,
      ankle: 1,
      fifthToe: 0.5,
      fifthMet: 0.6,
      navicular: 0.7,
      cuff: 0.2,
    },
    rules: [
      'Toes feather the front upright and come off it with bent knees; the heel must not lift.',
    ],
  },
  'laced-boot': {
    name: 'stiff laced boot',
    plural: 'laced boots',
    sockMm: 1,
    weights: {
      length: 1.2,
      toeBox: 0.6,
      toeBoxHeight: 0.6,
      ball: 1,
      ballHeight: 0.5,
      waist: 0.8,
      instep: 0.8,
      instepHeight: 0.5,
      heel: 1.2,
      heelInstep: 1,
      ankle: 0.6,
      cuff: 0.3,
      fifthToe: 0.5,
      fifthMet: 0.5,
      navicular: 0.5,
    },
    rules: ['Room before the toes for the way down; laces close girth, not length.'],
  },
  'riding-shoe': {
    name: 'rigid-soled riding shoe',
    plural: 'riding shoes',
    sockMm: 1.5,
    weights: {
      length: 1,
      toeBox: 0.6,
      toeBoxHeight: 0.5,
      ball: 1.2,
      ballHeight: 0.5,
      waist: 1.1,
      instep: 0.9,
      instepHeight: 0.7,
      heel: 1.3,
      fifthToe: 0.6,
      fifthMet: 0.6,
      navicular: 0.5,
    },
    rules: [
      'Very snug: a closure that has to be cranked says that the shoe is too big.',
      'With a support under it the foot does not grow in the shoe: no toe room is added for it.',
    ],
  },
  'work-boot': {
    name: 'work boot',
    plural: 'work boots',
    sockMm: 1,
    weights: {
      length: 1.2,
      toeBox: 0.8,
      toeBoxHeight: 0.8,
      ball: 1,
      ballHeight: 0.5,
      waist: 0.7,
      instep: 0.8,
      instepHeight: 0.5,
      heel: 1.1,
      heelInstep: 0.9,
      ankle: 0.5,
      cuff: 0.2,
      fifthToe: 0.6,
      fifthMet: 0.5,
      navicular: 0.4,
    },
    rules: ['A toe cap does not stretch: height and width there are as they are.'],
  },
  shoe: {
    name: 'everyday or ward shoe',
    plural: 'shoes',
    sockMm: 1.5,
    weights: {
      length: 1.2,
      toeBox: 0.7,
      toeBoxHeight: 0.6,
      ball: 1.1,
      ballHeight: 0.4,
      waist: 0.6,
      instep: 0.6,
      instepHeight: 0.5,
      heel: 1.1,
      fifthToe: 0.6,
      fifthMet: 0.5,
      navicular: 0.3,
    },
    rules: [
      '10 to 15 mm before the longest toe; a heel counter that does not fold; a rocker where the big toe does not bend.',
    ],
  },
  'dress-shoe': {
    name: 'dress shoe',
    plural: 'dress shoes',
    sockMm: 1.5,
    weights: {
      length: 1,
      toeBox: 0.8,
      toeBoxHeight: 0.6,
      ball: 1.1,
      ballHeight: 0.4,
      waist: 0.6,
      instep: 0.6,
      instepHeight: 0.6,
      heel: 1.2,
      fifthToe: 0.6,
      fifthMet: 0.5,
      navicular: 0.3,
    },
    rules: ['Little room for a device: skive before post, and stop it behind the heads.'],
  },
}

export const stationWeight = (family: Family, station: Station): number =>
  FAMILY_RULES[family].weights[station] ?? OTHER_WEIGHT
