import { activity } from './definition'

export const ward = activity({
  kind: 'ward',
  name: 'Ward and standing work',
  plain: 'standing and walking at work',
  group: 'work',
  child: 'not for children',
  insensate: 'long shifts: look at the skin in every break',
  cautions: [],
  families: ['shoe'],
  terrains: ['hard floor', 'stairs'],
  cuffOn: {},
  force: 'usual',
  ask: 'How many hours stand still? What happens in the last ones?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { ball: 0.5, instep: 1 },
})
