import { row, same } from '../stations/bands'
import { family } from './definition'
import { SHOE_BANDS } from './shoeBands'

export const shoe = family({
  kind: 'shoe',
  name: 'everyday or ward shoe',
  plural: 'shoes',
  plain: 'an everyday shoe',
  child: '8 to 12 mm to grow',
  insensate: 'soft upper, seams away from bumps, look inside every day',
  rules: [
    '10 to 15 mm before the longest toe; a heel counter that does not fold; a rocker where the big toe does not bend.',
  ],
  sockMm: 1.5,
  boot: false,
  hard: false,
  bends: true,
  heated: false,
  leastRoomMm: 5,
  linerIn: false,
  coldToesMm: null,
  refers: { always: null, atRisk: null },
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
    firstMet: 0.5,
    navicular: 0.3,
  },
  targets: {
    ...SHOE_BANDS,
    length: row([10, 12], [10, 13], [10, 15], [11, 15]),
    heelInstep: same([-1, 4]),
    ankle: same([-1, 5]),
  },
  sources: { length: 'toe room of 10 to 15 mm, house default' },
})
