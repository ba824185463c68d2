import type { Station } from './clearance'

const WORDS: Record<Station, { name: string; short: string; where: string }> = {
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
}

/** Names of a station: full, in a list, and as a place to work on. */
export const stationWords = (station: Station) => WORDS[station]
