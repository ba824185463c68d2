import { row, same } from '../stations/bands'
import { family } from './definition'

export const skate = family({
  kind: 'skate',
  name: 'moulded skate',
  plural: 'skates',
  plain: 'a skate',
  child: '8 to 10 mm to grow, never filled with socks',
  insensate: 'no tightness that is not felt: long try-on, skin looked at after',
  rules: [
    'Toes feather the front upright and come off it with bent knees; the heel must not lift.',
  ],
  sockMm: 1,
  boot: true,
  hard: true,
  bends: false,
  heated: true,
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
  targets: {
    length: row([3, 7], [5, 9], [7, 12], [9, 15]),
    toeBox: row([-2, 1], [-1, 2], [0, 4], [2, 6]),
    ball: row([-2, 1], [-1, 2], [0, 3], [1, 5]),
    heel: same([-1, 0.5]),
    ankle: same([-1, 1]),
  },
  sources: {},
})
