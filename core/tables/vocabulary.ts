/**
 * The closed word lists of the fitting record. Each list is the single source of its type, its
 * schema and its menus.
 */
export const POSTURES = ['sitting', 'standing', 'prone', 'supine'] as const
export type Posture = (typeof POSTURES)[number]

/** Instrument of trials that were read off a captured surface. */
export const SCAN_INSTRUMENT = 'scan'

export const SIDES = ['left', 'right'] as const
export type Side = (typeof SIDES)[number]
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left')

export const SCHOOLS = ['neutral', 'tissue-stress', 'sagittal', 'platform', 'comfort'] as const
export type School = (typeof SCHOOLS)[number]
/** Schools as papers name them. */
export const SCHOOL_NAMES: Record<School, string> = {
  neutral: 'neutral position',
  'tissue-stress': 'tissue stress',
  sagittal: 'sagittal plane',
  platform: 'platform',
  comfort: 'comfort',
}

export const INTENTS = ['race', 'performance', 'all-round', 'comfort'] as const
export type Intent = (typeof INTENTS)[number]

export const ABILITIES = ['beginner', 'able', 'strong', 'expert'] as const

export const COMPLAINT_PLACES = [
  'heelPlantar',
  'heelBack',
  'archPlantar',
  'firstMetHead',
  'secondMetHead',
  'thirdMetHead',
  'fourthMetHead',
  'fifthMetHead',
  'greatToe',
  'lesserToes',
  'navicular',
  'fifthMetBase',
  'medialAnkle',
  'lateralAnkle',
  'instep',
  'achilles',
  'shin',
  'knee',
  'hip',
  'back',
] as const
export type ComplaintPlace = (typeof COMPLAINT_PLACES)[number]

export const DEVICE_KINDS = ['none', 'trim-to-fit', 'heat-moulded', 'full-custom'] as const
export type DeviceKind = (typeof DEVICE_KINDS)[number]

export const CAPTURE_WAYS = [
  'plaster',
  'foam',
  'bead-tray',
  'standing-vacuum',
  'scan',
  'parametric',
] as const

/** Checks of a captured shape. */
export const CHECK_CODES = [
  'heelUpright',
  'midfootLocked',
  'forefootAngle',
  'firstRay',
  'toes',
  'fingerDents',
  'levelHeelBall',
  'archHeight',
  'coverage',
] as const
export type CheckCode = (typeof CHECK_CODES)[number]

/** How much goes through the footwear, from easy standing to landing and driving an edge. */
export const FORCES = ['light', 'usual', 'hard'] as const
export type Force = (typeof FORCES)[number]

export const WHEN_IT_HURTS = ['start', 'during', 'after', 'morning', 'always', 'night'] as const
export const HISTORY_KINDS = ['break', 'operation', 'sprain', 'other'] as const

/** How a joint moves under the hand. */
export const STIFFNESS = ['stiff', 'usual', 'loose'] as const

export const MARK_KINDS = [
  'callus',
  'bonyPoint',
  'lump',
  'corn',
  'wound',
  'nail',
  'tender',
  'numb',
] as const
export const MARK_VIEWS = ['plantar', 'dorsal', 'medial', 'lateral'] as const
export const JOINTS = [
  'ankle',
  'subtalar',
  'midtarsal',
  'firstRay',
  'firstToe',
  'lesserToes',
] as const

/** What a reading is taken with. */
export const INSTRUMENTS = [
  'measuring board',
  'calliper',
  'tape',
  'height gauge',
  'by eye',
] as const
export type Instrument = (typeof INSTRUMENTS)[number]
