import { reading } from './definition'

export const heelInstepGirthMm = reading({
  kind: 'heelInstepGirthMm',
  name: 'Heel–instep girth',
  call: ['heel instep', 'short heel', 'heel-instep'],
  how: 'around heel point and bend of the instep',
  instrument: 'tape',
  plain: 'around heel and instep',
  child: 'grows: no adult class is given',
  insensate: 'lay the tape on without pulling; look at the skin after',
  boundsMm: [80, 500],
  repeatMm: 4,
  ratio: { mean: 1.27, sd: 0.06, state: 'own assumption' },
  view: 'girths',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'side', as: 'tape', from: (_, L) => [0.02, 0.03 * L], to: (h) => [0.375, h.medial] },
  orderSheet: {
    code: 'H1',
    name: 'Heel–instep girth',
    how: 'around heel point and bend of the instep',
  },
})
