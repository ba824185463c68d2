import { row, same } from '../stations/bands'
import { family } from './definition'
import { SHOE_BANDS } from './shoeBands'

export const lacedBoot = family({
  kind: 'laced-boot',
  name: 'stiff laced boot',
  plural: 'laced boots',
  plain: 'a laced boot',
  child: '8 to 12 mm to grow',
  insensate: 'laces loose over the instep; look at the skin after',
  rules: ['Room before the toes for the way down; laces close girth, not length.'],
  sockMm: 1,
  boot: false,
  hard: false,
  bends: true,
  heated: false,
  weights: {
    length: 1.2,
    toeBox: 0.6,
    toeBoxHeight: 0.6,
    ball: 1,
    ballHeight: 0.5,
    waist: 0.8,
    instep: 0.8,
    instepHeight: 0.5,
    heel: 1.2,
    heelInstep: 1,
    ankle: 0.6,
    cuff: 0.3,
    fifthToe: 0.5,
    fifthMet: 0.5,
    firstMet: 0.5,
    navicular: 0.5,
  },
  targets: {
    ...SHOE_BANDS,
    length: row([8, 12], [10, 14], [11, 16], [12, 18]),
    heelInstep: same([-1, 3]),
    ankle: same([-1, 4]),
  },
  sources: {},
})
