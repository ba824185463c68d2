import { activity } from './definition'

export const dancing = activity({
  kind: 'dancing',
  name: 'Dancing',
  plain: 'dancing',
  group: 'dance',
  child: 'growth room, and no heel',
  insensate: 'not for a foot that does not feel',
  cautions: [],
  families: ['dress-shoe', 'shoe', 'dance'],
  terrains: ['ballroom', 'folk', 'street', 'stage'],
  cuffOn: {},
  force: 'hard',
  ask: 'Which dance, how high is the heel, how many hours?',
  allowance: 'shoes',
  cold: false,
  lowRoom: true,
  springs: true,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
