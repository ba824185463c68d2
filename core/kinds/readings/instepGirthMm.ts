import { reading } from './definition'

export const instepGirthMm = reading({
  kind: 'instepGirthMm',
  name: 'Instep girth',
  call: ['instep', 'instep girth'],
  how: 'around the highest point of the instep',
  instrument: 'tape',
  plain: 'around the instep',
  child: 'grows: take it again every season',
  insensate: 'lay the tape on without pulling; look at the skin after',
  boundsMm: [80, 500],
  repeatMm: 3,
  ratio: { mean: 0.945, sd: 0.055, state: 'own assumption' },
  view: 'girths',
  round: ['standing'],
  atHeight: false,
  drawn: {
    on: 'side',
    as: 'tape',
    from: (_, L) => [0.44, 0.06 * L],
    to: (h) => [0.47, 1.06 * h.dorsum],
  },
  orderSheet: { code: 'I1', name: 'Instep girth', how: 'around the highest point of the instep' },
})
