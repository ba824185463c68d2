/** Stations of clearance, in the order in which they are shown. The first twelve are the common ones; the last three are room for a bump. */
export const STATIONS = [
  'length',
  'toeBox',
  'toeBoxHeight',
  'ball',
  'ballHeight',
  'waist',
  'instep',
  'instepHeight',
  'heel',
  'heelInstep',
  'ankle',
  'cuff',
  'fifthToe',
  'fifthMet',
  'navicular',
] as const
export type Station = (typeof STATIONS)[number]

/** What kind of measure a station compares: bare length, a width or girth a side, a height whole, or room for a bump on one side. */
export type StationKind = 'length' | 'width' | 'height' | 'girth' | 'bump'
export const STATION_KIND: Readonly<Record<Station, StationKind>> = {
  length: 'length',
  toeBox: 'width',
  toeBoxHeight: 'height',
  ball: 'width',
  ballHeight: 'height',
  waist: 'girth',
  instep: 'girth',
  instepHeight: 'height',
  heel: 'width',
  heelInstep: 'girth',
  ankle: 'width',
  cuff: 'girth',
  fifthToe: 'bump',
  fifthMet: 'bump',
  navicular: 'bump',
}

/** Stations whose room counts on both sides of the foot at once. */
export const isTwoSided = (station: Station): boolean =>
  STATION_KIND[station] === 'width' || STATION_KIND[station] === 'girth'

interface StationWords {
  name: string
  short: string
  where: string
}

const WORDS: Record<Station, StationWords> = {
  length: { name: 'Length', short: 'length', where: 'the toe' },
  toeBox: { name: 'Toe box', short: 'toe box', where: 'the toe box' },
  toeBoxHeight: { name: 'Toe height', short: 'toe height', where: 'over the toes' },
  ball: { name: 'Ball', short: 'ball', where: 'the ball' },
  ballHeight: { name: 'Ball height', short: 'ball height', where: 'over the ball' },
  waist: { name: 'Waist', short: 'waist', where: 'the waist' },
  instep: { name: 'Instep', short: 'instep', where: 'the instep' },
  instepHeight: { name: 'Instep height', short: 'instep height', where: 'over the instep' },
  heel: { name: 'Heel', short: 'heel', where: 'the heel pocket' },
  heelInstep: { name: 'Heel–instep', short: 'heel–instep', where: 'heel and instep' },
  ankle: { name: 'Ankle', short: 'ankle', where: 'the ankle pocket' },
  cuff: { name: 'Cuff', short: 'cuff', where: 'the cuff' },
  fifthToe: { name: 'Fifth toe', short: 'fifth toe', where: 'beside the fifth toe' },
  fifthMet: { name: 'Fifth met', short: 'fifth met', where: 'beside the fifth met head' },
  navicular: { name: 'Navicular', short: 'navicular', where: 'at the navicular' },
}

/** Names of a station: full, in a list, and as a place to work on. */
export const stationWords = (station: Station): StationWords => WORDS[station]
