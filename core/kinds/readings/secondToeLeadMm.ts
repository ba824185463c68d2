import { reading } from './definition'

export const secondToeLeadMm = reading({
  kind: 'secondToeLeadMm',
  name: 'Second-toe lead',
  call: ['second toe', 'toe lead'],
  how: 'second toe beyond the first',
  instrument: 'measuring board',
  plain: 'how far the second toe stands out',
  child: 'grows: take it again every season',
  insensate: 'read it as usual',
  boundsMm: [-40, 40],
  repeatMm: 1,
  ratio: { mean: 0, sd: 0.016, state: 'own assumption' },
  view: 'plan',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'plan', as: 'lead', of: 'toe' },
  orderSheet: null,
})
