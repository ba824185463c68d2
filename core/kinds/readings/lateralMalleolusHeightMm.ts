import { reading } from './definition'

export const lateralMalleolusHeightMm = reading({
  kind: 'lateralMalleolusHeightMm',
  name: 'Lateral malleolus height',
  call: ['lateral malleolus'],
  how: 'floor to the tip of the lateral malleolus',
  instrument: 'height gauge',
  plain: 'height of the outer ankle',
  child: 'grows: take it again every season',
  insensate: 'look at the skin where the caliper touched',
  boundsMm: [20, 130],
  repeatMm: 2,
  ratio: { mean: 0.25, sd: 0.04, state: 'own assumption' },
  view: 'heights',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'side', as: 'height', share: 0.17, of: 'lateral', farSide: true },
  orderSheet: { code: 'A2', name: 'Outer ankle, height', how: 'floor to the middle of the bone' },
})
