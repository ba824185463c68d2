import { activity } from './definition'

export const freeride = activity({
  kind: 'freeride',
  name: 'Freeride',
  plain: 'skiing off the slopes',
  group: 'snow',
  child: 'a softer boot; landings only with growth room that is not filled',
  insensate: 'cold and pressure are not felt: look at the toes every hour',
  cautions: [
    'The binding is set by a certified technician and tested again after any change under the sole.',
  ],
  families: ['rigid-shell'],
  terrains: ['powder', 'steep', 'cliffs', 'short climbs'],
  cuffOn: {
    powder: { steps: -0.5, leanDeg: -1 },
    steep: { steps: 0.5, leanDeg: 0 },
    cliffs: { steps: 0.5, leanDeg: -1 },
    'short climbs': { steps: -0.5, leanDeg: -0.5 },
  },
  force: 'hard',
  ask: 'Do you jump, and do you walk up to it?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: 'binding',
  onBoard: false,
  shiftMm: {},
})
