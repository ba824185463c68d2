import { row, same } from '../stations/bands'
import { family } from './definition'

export const ridingShoe = family({
  kind: 'riding-shoe',
  name: 'rigid-soled riding shoe',
  plural: 'riding shoes',
  plain: 'a stiff riding shoe',
  child: '8 to 12 mm to grow',
  insensate: 'not snug: a foot that does not feel wants room',
  rules: [
    'Very snug: a closure that has to be cranked says that the shoe is too big.',
    'With a support under it the foot does not grow in the shoe: no toe room is added for it.',
  ],
  sockMm: 1.5,
  boot: true,
  hard: false,
  bends: false,
  heated: true,
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
    firstMet: 0.6,
    navicular: 0.5,
  },
  targets: {
    length: row([3, 7], [5, 9], [6, 11], [8, 13]),
    toeBox: row([-1, 1], [-1, 2], [0, 3], [1, 4]),
    ball: row([-1, 1], [-1, 2], [0, 2], [0, 3]),
    waist: row([-1, 1], [-1, 1], [-1, 2], [0, 2]),
    instep: row([-1, 1], [-1, 1], [-1, 2], [0, 3]),
    heel: same([-1, 0.5]),
  },
  sources: {},
})
