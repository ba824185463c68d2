import { reading } from './definition'

export const ballGirthMm = reading({
  kind: 'ballGirthMm',
  name: 'Ball girth',
  call: ['ball', 'ball girth'],
  how: 'around first and fifth met heads',
  instrument: 'tape',
  plain: 'around the ball',
  child: 'grows: take it again every season',
  insensate: 'lay the tape on without pulling; look at the skin after',
  boundsMm: [80, 500],
  repeatMm: 3,
  ratio: { mean: 0.935, sd: 0.05, state: 'own assumption' },
  view: 'girths',
  round: ['standing'],
  atHeight: false,
  drawn: {
    on: 'side',
    as: 'tape',
    from: () => [0.7, 0],
    to: (h) => [0.72, 0.5 * h.dorsum + 0.45 * h.toe],
  },
  orderSheet: { code: 'B1', name: 'Ball girth', how: 'around first and fifth met heads' },
})
