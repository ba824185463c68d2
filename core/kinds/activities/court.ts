import { activity } from './definition'

export const court = activity({
  kind: 'court',
  name: 'Court and ball sports',
  plain: 'playing in a hall or on a court',
  group: 'court',
  child: 'growth room, and pain at the heel is looked at',
  insensate: 'look at the skin after every game',
  cautions: ['After an ankle sprain: hold from the sides before anything is tilted.'],
  families: ['cleat', 'shoe'],
  terrains: ['hall', 'hard court', 'clay', 'sand'],
  cuffOn: {},
  force: 'hard',
  ask: 'Which game, and which foot do you stop on?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: true,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
