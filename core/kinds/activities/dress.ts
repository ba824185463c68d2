import { activity } from './definition'

export const dress = activity({
  kind: 'dress',
  name: 'Dress shoes',
  plain: 'dress shoes',
  group: 'everyday',
  child: 'for an evening, not for a day',
  insensate: 'not for a foot that does not feel',
  cautions: [],
  families: ['dress-shoe', 'shoe'],
  terrains: ['office', 'stage'],
  cuffOn: {},
  force: 'light',
  ask: 'How high is the heel, and for how many hours?',
  allowance: 'shoes',
  cold: false,
  lowRoom: true,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
