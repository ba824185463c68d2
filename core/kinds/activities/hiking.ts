import { activity } from './definition'

export const hiking = activity({
  kind: 'hiking',
  name: 'Hiking',
  plain: 'day walks in the hills',
  group: 'mountain',
  child: 'a soft boot with growth room; short days',
  insensate: 'look for blisters at every rest',
  cautions: [],
  families: ['laced-boot', 'work-boot', 'shoe'],
  terrains: ['paths', 'rock', 'mud', 'snow fields'],
  cuffOn: {},
  force: 'usual',
  ask: 'How long is the day, and what happens on the way down?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 1 },
})
