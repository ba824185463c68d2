import { activity } from './definition'

export const military = activity({
  kind: 'military',
  name: 'Military service',
  plain: 'marching and service in boots',
  group: 'work',
  child: 'not for children',
  insensate: 'blisters are not felt: somebody else looks at the feet every evening',
  cautions: [
    'What may go into issued boots is decided by whoever issues them. Pain in the shin or at one bone that stays: refer.',
  ],
  families: ['work-boot', 'laced-boot'],
  terrains: ['marching', 'rough ground', 'parade'],
  cuffOn: {},
  force: 'hard',
  ask: 'How heavy is the load, how far, and are the boots issued or chosen?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 1, ball: 1 },
})
