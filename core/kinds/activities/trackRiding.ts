import { activity } from './definition'

export const trackRiding = activity({
  kind: 'track-riding',
  name: 'Track cycling',
  plain: 'riding on the track',
  group: 'wheels',
  child: 'looser than for adults: it grows',
  insensate: 'a snug shoe is not for this foot',
  cautions: ['After any change of shoe, cleat or device the saddle height is looked at again.'],
  families: ['riding-shoe'],
  terrains: ['velodrome'],
  cuffOn: {},
  force: 'hard',
  ask: 'Straps or laces, and where is the cleat?',
  allowance: 'boots',
  cold: false,
  lowRoom: true,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
