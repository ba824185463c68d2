import { activity } from './definition'

export const skiRace = activity({
  kind: 'ski-race',
  name: 'Ski racing',
  plain: 'racing on skis',
  group: 'snow',
  child: 'no race fit while the foot grows: growth room stays',
  insensate: 'no race fit for a foot that does not feel',
  cautions: [
    'The binding is set by a certified technician and tested again after any change under the sole.',
    'Open the buckles between runs.',
  ],
  families: ['rigid-shell'],
  terrains: ['slalom', 'giant slalom', 'speed'],
  cuffOn: {
    slalom: { steps: 1, leanDeg: 2 },
    'giant slalom': { steps: 1, leanDeg: 1 },
    speed: { steps: 1.5, leanDeg: 1 },
  },
  force: 'hard',
  ask: 'Which discipline, how long is the boot closed at a time, and what goes numb first?',
  allowance: 'boots',
  cold: true,
  lowRoom: true,
  springs: false,
  recheck: 'binding',
  onBoard: false,
  shiftMm: {},
})
