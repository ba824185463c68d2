import { reading } from './definition'

export const secondMetLeadMm = reading({
  kind: 'secondMetLeadMm',
  name: 'Second-met lead',
  call: ['second met', 'met lead'],
  how: 'second met head beyond the first',
  instrument: 'measuring board',
  plain: 'how far the second joint stands out',
  child: 'grows: take it again every season',
  insensate: 'read it as usual',
  boundsMm: [-40, 40],
  repeatMm: 1,
  ratio: { mean: 0.008, sd: 0.014, state: 'own assumption' },
  view: 'plan',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'plan', as: 'lead', of: 'head' },
  orderSheet: null,
})
