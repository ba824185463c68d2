import { activity } from './definition'

export const wildlandFire = activity({
  kind: 'wildland-fire',
  name: 'Wildland fire',
  plain: 'work at wildland fires',
  child: 'not for children',
  insensate: 'heat is not felt through the sole: somebody else looks at the feet',
  families: ['work-boot', 'laced-boot'],
  terrains: ['steep slopes', 'ash', 'roads'],
  force: 'hard',
  ask: 'How long are the shifts, how heavy is the pack, do they dry overnight?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  shiftMm: { length: 1, ball: 1 },
})
