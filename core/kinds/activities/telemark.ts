import { activity } from './definition'

export const telemark = activity({
  kind: 'telemark',
  name: 'Telemark',
  plain: 'telemark skiing',
  group: 'snow',
  child: 'a soft bellow and growth room',
  insensate: 'the crease over the toes is not felt: look there after every run',
  cautions: ['The sole bends at the ball: a device must bend there too.'],
  families: ['rigid-shell', 'laced-boot'],
  terrains: ['piste', 'tours', 'powder'],
  cuffOn: {
    piste: { steps: 0.5, leanDeg: 0 },
    tours: { steps: -1, leanDeg: -1 },
    powder: { steps: -0.5, leanDeg: -0.5 },
  },
  force: 'hard',
  ask: 'Which foot goes back harder, and does the boot crease over a toe?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: 'binding',
  onBoard: false,
  shiftMm: { length: 2 },
})
