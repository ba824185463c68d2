import { activity } from './definition'

export const football = activity({
  kind: 'football',
  name: 'Football in cleats',
  plain: 'playing football in studs',
  group: 'court',
  child: 'growth room; pain at the heel that stays is looked at',
  insensate: 'studs press from below and are not felt',
  cautions: ['No stud under a sore head; as thin a device as it goes.'],
  families: ['cleat'],
  terrains: ['grass', 'artificial grass', 'hall'],
  cuffOn: {},
  force: 'hard',
  ask: 'Which ground, which studs, and which foot kicks?',
  allowance: 'shoes',
  cold: false,
  lowRoom: true,
  springs: true,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
