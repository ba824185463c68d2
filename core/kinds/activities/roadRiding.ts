import { activity } from './definition'

export const roadRiding = activity({
  kind: 'road-riding',
  name: 'Road riding',
  plain: 'riding a bicycle',
  group: 'wheels',
  child: 'looser than for adults: it grows',
  insensate: 'a snug shoe is not for this foot',
  cautions: ['After any change of shoe, cleat or device the saddle height is looked at again.'],
  families: ['riding-shoe', 'shoe'],
  terrains: ['road', 'track', 'city'],
  cuffOn: {},
  force: 'usual',
  ask: 'Where is the cleat, and does the ball burn or a knee hurt?',
  allowance: 'boots',
  cold: false,
  lowRoom: true,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
