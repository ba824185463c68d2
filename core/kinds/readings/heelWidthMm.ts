import { reading } from './definition'

export const heelWidthMm = reading({
  kind: 'heelWidthMm',
  name: 'Heel width',
  call: ['heel', 'heel width'],
  how: 'widest of the heel, 30 mm above the floor or less',
  instrument: 'calliper',
  plain: 'width of the heel',
  child: 'grows: take it again every season',
  insensate: 'look at the skin where the caliper touched',
  boundsMm: [20, 180],
  repeatMm: 2,
  ratio: { mean: 0.245, sd: 0.019, state: 'own assumption' },
  view: 'plan',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'plan', as: 'across', share: 0.13 },
  orderSheet: { code: 'H2', name: 'Heel width', how: 'widest, 30 mm over the floor or less' },
})
