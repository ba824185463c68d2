import { row, same } from '../stations/bands'
import { family } from './definition'
import { SHOE_BANDS } from './shoeBands'

export const dressShoe = family({
  kind: 'dress-shoe',
  name: 'dress shoe',
  plural: 'dress shoes',
  plain: 'a dress shoe',
  child: '8 to 12 mm to grow',
  insensate: 'not for a foot that does not feel: ask for another shoe',
  rules: ['Little room for a device: skive before post, and stop it behind the heads.'],
  sockMm: 1.5,
  boot: false,
  hard: false,
  bends: true,
  heated: false,
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
    firstMet: 0.5,
    navicular: 0.3,
  },
  targets: {
    ...SHOE_BANDS,
    length: row([8, 12], [9, 13], [10, 14], [11, 15]),
    ball: row([-1, 1], [-1, 2], [0, 2], [0, 3]),
    heel: same([-1, 0.5]),
    heelInstep: same([-1, 4]),
  },
  sources: {},
})
