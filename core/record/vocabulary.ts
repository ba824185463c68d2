/** The closed word lists of the fitting record. Each list is the single source of its type, its schema and its menus. */
export const READING_KINDS = [
  'footLengthMm',
  'archLengthMm',
  'forefootWidthMm',
  'heelWidthMm',
  'ballGirthMm',
  'waistGirthMm',
  'instepGirthMm',
  'heelInstepGirthMm',
  'ankleGirthMm',
  'calfGirthMm',
  'dorsumHeightMm',
  'navicularHeightMm',
  'medialMalleolusHeightMm',
  'lateralMalleolusHeightMm',
  'malleolusWidthMm',
  'toeBoxHeightMm',
  'secondToeLeadMm',
  'secondMetLeadMm',
] as const
export type ReadingKind = (typeof READING_KINDS)[number]

export const POSTURES = ['sitting', 'standing', 'prone', 'supine'] as const
export type Posture = (typeof POSTURES)[number]

/** Instrument of trials that were read off a captured surface. */
export const SCAN_INSTRUMENT = 'scan'

export const SIDES = ['left', 'right'] as const
export type Side = (typeof SIDES)[number]
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left')

export const SCHOOLS = ['neutral', 'tissue-stress', 'sagittal', 'platform', 'comfort'] as const
export type School = (typeof SCHOOLS)[number]

export const INTENTS = ['race', 'performance', 'all-round', 'comfort'] as const
export type Intent = (typeof INTENTS)[number]

export const ABILITIES = ['beginner', 'able', 'strong', 'expert'] as const

export const CONDITIONS = [
  'diabetes',
  'neuropathy',
  'poorCirculation',
  'pastUlcer',
  'amputation',
  'kidneyFailure',
  'smoking',
  'inflammatoryArthritis',
  'osteoarthritis',
  'hypermobility',
  'pregnancy',
  'bloodThinners',
  'recentOperation',
] as const
export type Condition = (typeof CONDITIONS)[number]

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

export const FAMILIES = [
  'rigid-shell',
  'skate',
  'laced-boot',
  'riding-shoe',
  'work-boot',
  'shoe',
  'dress-shoe',
] as const
export type Family = (typeof FAMILIES)[number]

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

/** Signs for which somebody else looks first; each is asked in plain words. */
export const SIGNS = [
  'openWound',
  'hotSwollen',
  'fracture',
  'suddenNumb',
  'calfSwollen',
  'childLimps',
  'changingShape',
  'suddenPop',
  'archDropped',
  'restPainHanging',
  'newColdFoot',
  'spreadingRedness',
  'nightPain',
] as const
export type Sign = (typeof SIGNS)[number]
