import { activity } from './definition'

export const crossCountry = activity({
  kind: 'cross-country',
  name: 'Cross-country skiing',
  plain: 'skiing in tracks',
  group: 'snow',
  child: 'soft, with room to grow',
  insensate: 'cold is not felt: look at the toes after every hour',
  cautions: [],
  families: ['laced-boot', 'shoe'],
  terrains: ['classic', 'skating', 'touring track'],
  cuffOn: {},
  force: 'usual',
  ask: 'Classic or skating? Does the bar press under the ball?',
  allowance: 'shoes',
  cold: true,
  lowRoom: true,
  springs: false,
  recheck: 'binding',
  onBoard: false,
  shiftMm: {},
})
