import { activity } from './definition'

export const climbing = activity({
  kind: 'climbing',
  name: 'Climbing',
  plain: 'climbing',
  group: 'mountain',
  child: 'toes lie flat and have room: no drawn-up toes while the foot grows',
  insensate:
    'not for a foot that does not feel or is poorly supplied: somebody entitled to it looks',
  cautions: [
    'Off between the routes. Numbness that stays, black nails or a stiff big toe: a larger shoe, and somebody looks.',
  ],
  families: ['climbing-shoe'],
  terrains: ['boulders', 'edges', 'cracks', 'long routes'],
  cuffOn: {},
  force: 'hard',
  ask: 'What do you climb most, and how long do you keep them on?',
  allowance: 'shoes',
  cold: false,
  lowRoom: true,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
