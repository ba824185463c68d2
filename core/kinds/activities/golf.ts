import { activity } from './definition'

export const golf = activity({
  kind: 'golf',
  name: 'Golf',
  plain: 'playing golf',
  group: 'court',
  child: 'a shoe with growth room is enough',
  insensate: 'look at the skin after every round',
  cautions: [
    'The two feet work differently: the front one rolls out, the rear one turns on its toes.',
  ],
  families: ['shoe', 'cleat'],
  terrains: ['hills', 'flat', 'wet grass'],
  cuffOn: {},
  force: 'usual',
  ask: 'Do you walk the course, and does the front foot hurt after the swing?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 0.5 },
})
