import { z } from 'zod'
import { table } from './table'

const pair = z
  .tuple([z.number(), z.number()])
  .refine(([low, high]) => low < high, 'the lower limit must be below the upper one')
const rising = z
  .tuple([z.number(), z.number(), z.number()])
  .refine(([a, b, c]) => a < b && b < c, 'the three limits must rise')
const own = {
  unit: '',
  source: 'provisional',
  state: 'own assumption',
  keptBy: 'fitting',
} as const

/** Forefoot width against the expected one. */
export const forefootDeltaMm = table({
  ...own,
  name: 'Forefoot narrow below, wide above, extra wide above',
  unit: 'mm',
  source: 'workshop default',
  schema: rising,
  house: [-4, 4, 8],
})

export const waistShare = table({
  ...own,
  name: 'Waist girth share: low below, high above',
  schema: pair,
  house: [0.89, 0.95],
})

export const heelInstepShare = table({
  ...own,
  name: 'Heel–instep girth share: low below, high above',
  schema: pair,
  house: [1.24, 1.3],
})

export const ankleShare = table({
  ...own,
  name: 'Ankle girth share: low below, high above',
  schema: pair,
  house: [0.82, 0.88],
})

export const archHeightStanding = table({
  ...own,
  name: 'Arch height index standing: low below, high above',
  source: 'Butler 2008, mean ± 1 SD of 100 recreational runners',
  state: 'checked',
  schema: pair,
  house: [0.31, 0.37],
})

export const navicularDropMm = table({
  ...own,
  name: 'Navicular drop: small below, marked above, large above',
  unit: 'mm',
  source: 'after Brody 1982, seated-neutral variant',
  state: 'from memory',
  schema: rising,
  house: [6, 10, 15],
})
