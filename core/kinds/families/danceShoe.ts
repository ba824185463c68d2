import { row, same } from '../stations/bands'
import { family } from './definition'

export const danceShoe = family({
  kind: 'dance',
  name: 'dance shoe',
  plural: 'dance shoes',
  plain: 'a dance shoe',
  child: 'not on pointe before somebody entitled to it has looked at the foot',
  insensate: 'not for a foot that does not feel',
  rules: [
    'Pointe shoes and ballet flats are fitted by those who know them: kept here, and referred.',
  ],
  sockMm: 0,
  boot: false,
  hard: false,
  bends: true,
  heated: false,
  leastRoomMm: 0,
  linerIn: false,
  coldToesMm: null,
  refers: {
    always: 'pointe shoes and ballet flats are fitted by those who know them: refer',
    atRisk: 'not for a foot that does not feel or is poorly supplied',
  },
  weights: {
    length: 1.2,
    toeBox: 0.8,
    toeBoxHeight: 0.6,
    ball: 1.1,
    waist: 0.8,
    instep: 0.6,
    heel: 1.2,
    firstMet: 0.5,
    fifthMet: 0.5,
  },
  targets: {
    length: row([0, 3], [0, 4], [1, 6], [3, 8]),
    toeBox: same([-1, 2]),
    ball: row([-1, 1], [-1, 1], [-1, 2], [0, 3]),
    heel: same([-1, 0.5]),
  },
  sources: {},
})
