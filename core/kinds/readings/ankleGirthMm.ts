import { reading } from './definition'

export const ankleGirthMm = reading({
  kind: 'ankleGirthMm',
  name: 'Ankle girth',
  call: ['ankle', 'ankle girth'],
  how: 'smallest above the malleoli',
  instrument: 'tape',
  plain: 'around the ankle',
  child: 'grows: no adult class is given',
  insensate: 'lay the tape on without pulling; look at the skin after',
  boundsMm: [80, 500],
  repeatMm: 3,
  ratio: { mean: 0.85, sd: 0.07, state: 'own assumption' },
  view: 'girths',
  round: ['standing'],
  atHeight: false,
  drawn: {
    on: 'side',
    as: 'tape',
    from: (h) => [0.05, h.medial + 26],
    to: (h) => [0.36, h.medial + 26],
  },
  orderSheet: { code: 'C2', name: 'Ankle girth', how: 'smallest above the malleoli' },
})
