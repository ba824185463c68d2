import { activity } from './definition'

export const houseShoe = activity({
  kind: 'house-shoe',
  name: 'Orthopaedic house shoe',
  plain: 'a shoe for the house',
  group: 'everyday',
  child: 'not for children',
  insensate: 'seams away from bumps; a hand inside every morning',
  cautions: ['No slipper without a heel: it is lost on the stairs.'],
  families: ['shoe'],
  terrains: ['at home', 'care home'],
  cuffOn: {},
  force: 'light',
  ask: 'Can you close it yourself, do the feet swell, and did you ever slip?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { instep: 1, ball: 1 },
})
