import { reading } from './definition'

export const ballHeightMm = reading({
  kind: 'ballHeightMm',
  name: 'Ball height',
  call: ['ball height', 'ballheight'],
  how: 'floor to the top of the first met head',
  instrument: 'height gauge',
  plain: 'height at the ball of the foot',
  child: 'grows: take it again every season',
  insensate: 'look at the skin over the joint first',
  boundsMm: [5, 150],
  repeatMm: 2,
  ratio: { mean: 0.137, sd: 0.022, state: 'own assumption' },
  view: 'heights',
  round: [],
  atHeight: false,
  drawn: { on: 'side', as: 'height', share: 0.73, of: 'toe' },
  orderSheet: null,
})
