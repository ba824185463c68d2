import { activity } from './definition'

export const skiTouring = activity({
  kind: 'ski-touring',
  name: 'Ski touring',
  plain: 'touring on skis',
  group: 'snow',
  child: 'a softer, roomier boot; out of it every hour',
  insensate: 'cold and pressure are not felt: look at the toes every hour',
  cautions: [
    'The binding is set by a certified technician and tested again after any change under the sole.',
  ],
  families: ['rigid-shell'],
  terrains: ['long climbs', 'steep descents', 'piste', 'glacier'],
  cuffOn: {
    'long climbs': { steps: -1, leanDeg: -1 },
    'steep descents': { steps: 1, leanDeg: 1 },
    piste: { steps: 0.5, leanDeg: 0 },
    glacier: { steps: -0.5, leanDeg: 0 },
  },
  force: 'hard',
  ask: 'More climbing or more descent? When does it start to hurt, going up or coming down?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: 'binding',
  onBoard: false,
  shiftMm: {},
})
