import { reading } from './definition'

export const waistGirthMm = reading({
  kind: 'waistGirthMm',
  name: 'Waist girth',
  call: ['waist', 'waist girth'],
  how: 'smallest around the midfoot',
  instrument: 'tape',
  plain: 'around the middle of the foot',
  child: 'grows: no adult class is given',
  insensate: 'lay the tape on without pulling; look at the skin after',
  boundsMm: [80, 500],
  repeatMm: 3,
  ratio: { mean: 0.92, sd: 0.055, state: 'own assumption' },
  view: 'girths',
  round: ['standing'],
  atHeight: false,
  drawn: {
    on: 'side',
    as: 'tape',
    from: (_, L) => [0.5, 0.055 * L],
    to: (h) => [0.56, 0.9 * h.dorsum],
  },
  orderSheet: { code: 'W1', name: 'Waist girth', how: 'smallest around the midfoot' },
})
