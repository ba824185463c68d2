import { activity } from './definition'

export const school = activity({
  kind: 'school',
  name: 'School and play',
  plain: 'school and playing',
  group: 'everyday',
  child: 'room to grow, measured every season',
  insensate: 'somebody looks at the feet every evening',
  cautions: [],
  families: ['shoe', 'cleat'],
  terrains: ['school yard', 'gym', 'way to school'],
  cuffOn: {},
  force: 'usual',
  ask: 'Which shoes are on all day, and what does the gym ask for?',
  allowance: 'shoes',
  cold: false,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: { length: 0.5 },
})
