import { activity } from './definition'

export const trailRunning = activity({
  kind: 'trail-running',
  name: 'Trail running',
  plain: 'running on trails',
  group: 'running',
  child: 'pain that stays after running is looked at',
  insensate: 'blisters are not felt: look after every run',
  cautions: ['Feet swell on long days: the later hours decide the size.'],
  families: ['shoe'],
  terrains: ['mountain', 'forest', 'mud'],
  cuffOn: {},
  force: 'hard',
  ask: 'How long, how much downhill, and which nails go black?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: true,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 2 },
})
