import { row, same } from '../stations/bands'
import { family } from './definition'
import { SHOE_BANDS } from './shoeBands'

export const cleat = family({
  kind: 'cleat',
  name: 'cleat or court shoe',
  plural: 'cleats and court shoes',
  plain: 'a sports shoe with studs or a grip sole',
  child: '8 to 12 mm to grow',
  insensate: 'studs press from below and are not felt: look at the skin after every game',
  rules: [
    'A device as thin as it goes: a skive instead of a post.',
    'No stud under a head that is sore.',
  ],
  sockMm: 1.5,
  boot: false,
  hard: false,
  bends: true,
  heated: false,
  leastRoomMm: 3,
  linerIn: false,
  coldToesMm: null,
  refers: { always: null, atRisk: null },
  weights: {
    length: 1.1,
    toeBox: 0.7,
    toeBoxHeight: 0.5,
    ball: 1.1,
    ballHeight: 0.4,
    waist: 0.9,
    instep: 0.8,
    instepHeight: 0.5,
    heel: 1.2,
    fifthToe: 0.6,
    fifthMet: 0.6,
    firstMet: 0.5,
    navicular: 0.4,
  },
  targets: {
    ...SHOE_BANDS,
    length: row([5, 8], [5, 9], [5, 10], [6, 10]),
    ball: row([-1, 1], [-1, 2], [0, 2], [0, 4]),
    toeBox: row([-1, 1], [-1, 2], [0, 3], [1, 4]),
    heel: same([-1, 0.5]),
    heelInstep: same([-1, 3]),
  },
  sources: { length: 'toe room of 5 to 10 mm' },
})
