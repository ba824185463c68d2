import { activity } from './definition'

export const piste = activity({
  kind: 'piste',
  name: 'Piste skiing',
  plain: 'skiing on prepared slopes',
  group: 'snow',
  child: 'a softer boot with growth room; out of it at noon',
  insensate: 'cold and pressure are not felt: look at the toes at every rest',
  cautions: [
    'The binding is set by a certified technician and tested again after any change under the sole.',
  ],
  families: ['rigid-shell'],
  terrains: ['soft snow', 'ice', 'moguls', 'all day'],
  cuffOn: {
    'soft snow': { steps: -0.5, leanDeg: 0 },
    ice: { steps: 1, leanDeg: 1 },
    moguls: { steps: -1, leanDeg: -1 },
    'all day': { steps: -0.5, leanDeg: -1 },
  },
  force: 'hard',
  ask: 'How many days a winter, and where does it hurt at noon?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: 'binding',
  onBoard: false,
  shiftMm: {},
})
