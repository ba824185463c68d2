import { activity } from './definition'

export const running = activity({
  kind: 'running',
  name: 'Running',
  plain: 'running',
  group: 'running',
  child: 'pain that stays after running is looked at',
  insensate: 'blisters are not felt: look after every run',
  cautions: [],
  families: ['shoe'],
  terrains: ['road', 'trail', 'track'],
  cuffOn: {},
  force: 'hard',
  ask: 'How far in a week, and what changed before it started?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: true,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 1 },
})
