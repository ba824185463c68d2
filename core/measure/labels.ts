import type { ReadingKind } from '../record/vocabulary'

/** Names of readings as the trade says them, and the short words they are called out by. */
export const READING_LABELS: Record<ReadingKind, { name: string; call: string[]; how: string }> = {
  footLengthMm: {
    name: 'Foot length',
    call: ['length', 'len', 'foot length'],
    how: 'rearmost heel to the longest toe, along the axis',
  },
  archLengthMm: {
    name: 'Arch length',
    call: ['arch', 'arch length'],
    how: 'rearmost heel to the centre of the first met joint',
  },
  forefootWidthMm: {
    name: 'Forefoot width',
    call: ['width', 'forefoot', 'forefoot width'],
    how: 'medial first to lateral fifth met head',
  },
  heelWidthMm: {
    name: 'Heel width',
    call: ['heel', 'heel width'],
    how: 'widest of the heel, 30 mm above the floor or less',
  },
  ballGirthMm: {
    name: 'Ball girth',
    call: ['ball', 'ball girth'],
    how: 'around first and fifth met heads',
  },
  waistGirthMm: {
    name: 'Waist girth',
    call: ['waist', 'waist girth'],
    how: 'smallest around the midfoot',
  },
  instepGirthMm: {
    name: 'Instep girth',
    call: ['instep', 'instep girth'],
    how: 'around the highest point of the instep',
  },
  heelInstepGirthMm: {
    name: 'Heel–instep girth',
    call: ['heel instep', 'short heel', 'heel-instep'],
    how: 'around heel point and bend of the instep',
  },
  ankleGirthMm: {
    name: 'Ankle girth',
    call: ['ankle', 'ankle girth'],
    how: 'smallest above the malleoli',
  },
  calfGirthMm: {
    name: 'Calf girth',
    call: ['calf', 'calf girth'],
    how: 'at a stated height above the floor',
  },
  dorsumHeightMm: {
    name: 'Dorsum height',
    call: ['dorsum', 'dorsum height'],
    how: 'top of the foot at half foot length',
  },
  navicularHeightMm: {
    name: 'Navicular height',
    call: ['navicular', 'nav'],
    how: 'navicular tuberosity to the floor',
  },
  medialMalleolusHeightMm: {
    name: 'Medial malleolus height',
    call: ['medial malleolus'],
    how: 'floor to the tip of the medial malleolus',
  },
  lateralMalleolusHeightMm: {
    name: 'Lateral malleolus height',
    call: ['lateral malleolus'],
    how: 'floor to the tip of the lateral malleolus',
  },
  malleolusWidthMm: {
    name: 'Malleolus width',
    call: ['malleolus', 'malleolus width'],
    how: 'across both malleoli',
  },
  toeBoxHeightMm: {
    name: 'Toe height',
    call: ['toe', 'toe height'],
    how: 'floor to the top of the highest toe',
  },
  secondToeLeadMm: {
    name: 'Second-toe lead',
    call: ['second toe', 'toe lead'],
    how: 'second toe beyond the first',
  },
  secondMetLeadMm: {
    name: 'Second-met lead',
    call: ['second met', 'met lead'],
    how: 'second met head beyond the first',
  },
}
