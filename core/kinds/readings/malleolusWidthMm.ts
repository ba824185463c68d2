import { reading } from './definition'

export const malleolusWidthMm = reading({
  kind: 'malleolusWidthMm',
  name: 'Malleolus width',
  call: ['malleolus', 'malleolus width'],
  how: 'across both malleoli',
  instrument: 'calliper',
  plain: 'width over the ankle bones',
  child: 'grows: take it again every season',
  insensate: 'look at the skin where the caliper touched',
  boundsMm: [20, 180],
  repeatMm: 2,
  ratio: { mean: 0.265, sd: 0.03, state: 'own assumption' },
  view: 'heights',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'side', as: 'level', from: 0.16, to: 0.3, overMedialMm: 10, around: false },
  orderSheet: { code: 'A3', name: 'Ankle width', how: 'over both bones' },
})
