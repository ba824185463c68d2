import { activity } from './definition'

export const walking = activity({
  kind: 'walking',
  name: 'Walking',
  plain: 'walking',
  group: 'everyday',
  child: 'tired legs at night are common, limping is not',
  insensate: 'look at the skin every evening',
  cautions: [],
  families: ['shoe', 'laced-boot', 'work-boot'],
  terrains: ['street', 'paths', 'mountain'],
  cuffOn: {},
  force: 'usual',
  ask: 'How far before it starts, and does sitting down stop it?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 0.5 },
})
