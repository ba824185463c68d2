import { reading } from './definition'

export const toeBoxHeightMm = reading({
  kind: 'toeBoxHeightMm',
  name: 'Toe height',
  call: ['toe', 'toe height'],
  how: 'floor to the top of the highest toe',
  instrument: 'height gauge',
  plain: 'height of the toes',
  child: 'grows: take it again every season',
  insensate: 'look between and over the toes for marks first',
  boundsMm: [5, 150],
  repeatMm: 2,
  ratio: { mean: 0.09, sd: 0.022, state: 'own assumption' },
  view: 'heights',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'side', as: 'height', share: 0.92, of: 'toe' },
  orderSheet: { code: 'T1', name: 'Toe height', how: 'highest toe' },
})
