import { activity } from './definition'

export const figureSkating = activity({
  kind: 'figure-skating',
  name: 'Figure skating',
  plain: 'figure skating',
  group: 'ice',
  child: 'growth room never filled with socks',
  insensate: 'laces loose at the instep; look after every hour',
  cautions: [],
  families: ['skate'],
  terrains: ['rink'],
  cuffOn: {},
  force: 'hard',
  ask: 'Jumps or dance? Where does the tongue press?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: 'blade',
  onBoard: false,
  shiftMm: {},
})
