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
  force: 'hard',
  ask: 'How many days a winter, and where does it hurt at noon?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: 'binding',
  shiftMm: {},
})
