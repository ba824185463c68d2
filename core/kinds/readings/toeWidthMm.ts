import { reading } from './definition'

export const toeWidthMm = reading({
  kind: 'toeWidthMm',
  name: 'Toe width',
  call: ['toe width', 'toewidth', 'toes'],
  how: 'across first and fifth toe, at the sole',
  instrument: 'calliper',
  plain: 'width of the toes',
  child: 'grows: take it again every season',
  insensate: 'look between the toes for marks first',
  boundsMm: [20, 180],
  repeatMm: 2,
  ratio: { mean: 0.34, sd: 0.035, state: 'own assumption' },
  view: 'plan',
  round: [],
  atHeight: false,
  drawn: { on: 'plan', as: 'across', share: 0.84 },
  orderSheet: null,
})
