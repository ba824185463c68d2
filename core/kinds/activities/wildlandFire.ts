import { activity } from './definition'

export const wildlandFire = activity({
  kind: 'wildland-fire',
  name: 'Wildland fire',
  plain: 'work at wildland fires',
  group: 'work',
  child: 'not for children',
  insensate: 'heat is not felt through the sole: somebody else looks at the feet',
  cautions: ['A certified boot stays certified only with what its maker allows inside.'],
  families: ['work-boot', 'laced-boot'],
  terrains: ['steep slopes', 'ash', 'roads'],
  cuffOn: {},
  force: 'hard',
  ask: 'How long are the shifts, how heavy is the pack, do they dry overnight?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 1, ball: 1 },
})
