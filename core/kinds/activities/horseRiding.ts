import { activity } from './definition'

export const horseRiding = activity({
  kind: 'horse-riding',
  name: 'Horse riding',
  plain: 'riding horses',
  group: 'horse',
  child: 'growth room, and a heel that holds the stirrup',
  insensate: 'a tight shaft is not felt: look at the calf and the ankle',
  cautions: ['The boot must slip out of the stirrup: no sole wider or stickier than it was.'],
  families: ['laced-boot', 'dress-shoe'],
  terrains: ['dressage', 'jumping', 'stable work'],
  cuffOn: {},
  force: 'usual',
  ask: 'How long are the stirrups, and do you work in the stable in the same boots?',
  allowance: 'shoes',
  cold: false,
  lowRoom: true,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
