import { activity } from './definition'

export const structuralFire = activity({
  kind: 'structural-fire',
  name: 'Fire service',
  plain: 'work in the fire service',
  group: 'work',
  child: 'not for children',
  insensate: 'heat is not felt through the sole: somebody else looks at the feet',
  cautions: ['A certified boot stays certified only with what its maker allows inside.'],
  families: ['work-boot'],
  terrains: ['ladders', 'stairs', 'hot floors'],
  cuffOn: {},
  force: 'hard',
  ask: 'Pull-on or laced, how long are they worn, and do they slip on the ladder?',
  allowance: 'shoes',
  cold: false,
  lowRoom: true,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 1 },
})
