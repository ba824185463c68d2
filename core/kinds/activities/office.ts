import { activity } from './definition'

export const office = activity({
  kind: 'office',
  name: 'Office',
  plain: 'sitting and standing indoors',
  group: 'everyday',
  child: 'not for children',
  insensate: 'look at the skin every evening',
  cautions: [],
  families: ['shoe', 'dress-shoe'],
  terrains: ['office', 'way to work'],
  cuffOn: {},
  force: 'light',
  ask: 'How long do you stand, and what is on the way there?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
