import { reading } from './definition'

export const medialMalleolusHeightMm = reading({
  kind: 'medialMalleolusHeightMm',
  name: 'Medial malleolus height',
  call: ['medial malleolus'],
  how: 'floor to the tip of the medial malleolus',
  instrument: 'height gauge',
  plain: 'height of the inner ankle',
  child: 'grows: take it again every season',
  insensate: 'look at the skin where the caliper touched',
  boundsMm: [20, 130],
  repeatMm: 2,
  ratio: { mean: 0.29, sd: 0.04, state: 'own assumption' },
  view: 'heights',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'side', as: 'height', share: 0.24, of: 'medial' },
  orderSheet: { code: 'A1', name: 'Inner ankle, height', how: 'floor to the middle of the bone' },
})
