import { row, same } from '../stations/bands'
import { family } from './definition'
import { SHOE_BANDS } from './shoeBands'

export const workBoot = family({
  kind: 'work-boot',
  name: 'work boot',
  plural: 'work boots',
  plain: 'a work boot',
  child: '8 to 12 mm to grow',
  insensate: 'a cap that is not felt: height over the toes first',
  rules: ['A toe cap does not stretch: height and width there are as they are.'],
  sockMm: 1,
  boot: false,
  hard: false,
  bends: true,
  heated: false,
  weights: {
    length: 1.2,
    toeBox: 0.8,
    toeBoxHeight: 0.8,
    ball: 1,
    ballHeight: 0.5,
    waist: 0.7,
    instep: 0.8,
    instepHeight: 0.5,
    heel: 1.1,
    heelInstep: 0.9,
    ankle: 0.5,
    cuff: 0.2,
    fifthToe: 0.6,
    fifthMet: 0.5,
    firstMet: 0.5,
    navicular: 0.4,
  },
  targets: {
    ...SHOE_BANDS,
    length: row([10, 14], [10, 15], [11, 16], [12, 18]),
    toeBoxHeight: row([3, 7], [3, 8], [4, 10], [5, 12]),
    heelInstep: same([-1, 3]),
    ankle: same([-1, 5]),
  },
  sources: {},
})
