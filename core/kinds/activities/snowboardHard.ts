import { activity } from './definition'

export const snowboardHard = activity({
  kind: 'snowboard-hard',
  name: 'Snowboard, hard boots',
  plain: 'carving on a board in hard boots',
  group: 'snow',
  child: 'a softer boot with growth room',
  insensate: 'cold and pressure are not felt: look at the toes every hour',
  cautions: ['The two feet work differently: set lean and cant for each.'],
  families: ['rigid-shell'],
  terrains: ['carving', 'race', 'alpine splitboard'],
  cuffOn: {
    carving: { steps: 0.5, leanDeg: 1 },
    race: { steps: 1, leanDeg: 1 },
    'alpine splitboard': { steps: -1, leanDeg: -1 },
  },
  force: 'hard',
  ask: 'Which foot is in front, at what angles, and how far do the cuffs lean?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: 'binding',
  onBoard: true,
  shiftMm: {},
})
