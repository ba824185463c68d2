import { activity } from './definition'

export const hockey = activity({
  kind: 'hockey',
  name: 'Hockey',
  plain: 'hockey',
  group: 'ice',
  child: 'growth room never filled with socks',
  insensate: 'laces loose at the instep; look after every third',
  cautions: [],
  families: ['skate'],
  terrains: ['rink'],
  cuffOn: {},
  force: 'hard',
  ask: 'How do you lace, and where do they go numb? Bare foot or sock?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: 'blade',
  onBoard: false,
  shiftMm: {},
})
