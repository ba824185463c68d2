import { row, same } from '../stations/bands'
import { family } from './definition'

export const climbingShoe = family({
  kind: 'climbing-shoe',
  name: 'climbing shoe',
  plural: 'climbing shoes',
  plain: 'a climbing shoe',
  child: 'toes flat, room to grow; no drawn-up toes while the foot grows',
  insensate: 'not for a foot that does not feel or is poorly supplied',
  rules: [
    'Race is bouldering, performance edges, all-round cracks, comfort long routes.',
    'Shorter than the foot on purpose: off between routes, and never a bruise that stays.',
  ],
  sockMm: 0,
  boot: true,
  hard: false,
  bends: true,
  heated: false,
  leastRoomMm: 0,
  linerIn: false,
  coldToesMm: null,
  refers: {
    always: null,
    atRisk:
      'a foot that does not feel or is poorly supplied gets no climbing shoe: somebody entitled to it looks first',
  },
  weights: {
    length: 1.2,
    toeBox: 0.6,
    toeBoxHeight: 0.6,
    ball: 1,
    ballHeight: 0.4,
    waist: 0.9,
    instep: 0.7,
    instepHeight: 0.5,
    heel: 1.2,
    fifthToe: 0.4,
    fifthMet: 0.5,
    firstMet: 0.5,
    navicular: 0.4,
  },
  targets: {
    length: row([-14, -10], [-8, -4], [-2, 2], [0, 5]),
    toeBox: row([-4, 0], [-3, 1], [-2, 2], [-1, 3]),
    toeBoxHeight: row([-4, 0], [-3, 0], [-2, 1], [0, 3]),
    ball: row([-3, 0], [-2, 1], [-1, 1], [0, 3]),
    waist: row([-2, 0], [-1, 1], [-1, 1], [0, 3]),
    instep: row([-2, 1], [-1, 1], [-1, 2], [0, 3]),
    heel: same([-1.5, 0.5]),
  },
  sources: {
    length: 'usual differences to the foot’s length: bouldering, edges, cracks, comfort',
  },
})
