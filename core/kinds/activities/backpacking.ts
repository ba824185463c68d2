import { activity } from './definition'

export const backpacking = activity({
  kind: 'backpacking',
  name: 'Backpacking',
  plain: 'walks of many days with a pack',
  group: 'mountain',
  child: 'a small pack, and growth room',
  insensate: 'look at the skin every evening and every noon',
  cautions: [
    'Feet grow longer and wider within days under a load: try on in the evening, with the pack.',
  ],
  families: ['laced-boot', 'work-boot'],
  terrains: ['trails', 'rock', 'wet ground', 'heat'],
  cuffOn: {},
  force: 'hard',
  ask: 'How heavy is the pack, how many days, and do your feet swell?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 1.5, ball: 1 },
})
