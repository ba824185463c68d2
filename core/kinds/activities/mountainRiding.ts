import { activity } from './definition'

export const mountainRiding = activity({
  kind: 'mountain-riding',
  name: 'Mountain biking',
  plain: 'riding off the road',
  group: 'wheels',
  child: 'looser than for adults: it grows',
  insensate: 'a snug shoe is not for this foot',
  cautions: ['After any change of shoe, cleat or device the saddle height is looked at again.'],
  families: ['riding-shoe', 'shoe'],
  terrains: ['cross-country', 'downhill', 'flat pedals'],
  cuffOn: {},
  force: 'hard',
  ask: 'Clipped or flat pedals? Do you push and walk a lot?',
  allowance: 'boots',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
