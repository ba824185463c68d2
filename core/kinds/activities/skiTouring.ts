import { activity } from './definition'

export const skiTouring = activity({
  kind: 'ski-touring',
  name: 'Ski touring',
  plain: 'touring on skis',
  child: 'a softer, roomier boot; out of it every hour',
  insensate: 'cold and pressure are not felt: look at the toes every hour',
  families: ['rigid-shell'],
  terrains: ['long climbs', 'steep descents', 'piste', 'glacier'],
  force: 'hard',
  ask: 'More climbing or more descent? When does it start to hurt, going up or coming down?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: 'binding',
  shiftMm: {},
})
