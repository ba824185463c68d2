import { reading } from './definition'

export const forefootWidthMm = reading({
  kind: 'forefootWidthMm',
  name: 'Forefoot width',
  call: ['width', 'forefoot', 'forefoot width'],
  how: 'medial first to lateral fifth met head',
  instrument: 'calliper',
  plain: 'width at the ball',
  child: 'grows: no adult class is given',
  insensate: 'look at the skin where the caliper touched',
  boundsMm: [20, 180],
  repeatMm: 2,
  ratio: { mean: 0.377, sd: 0.021, state: 'own assumption' },
  view: 'plan',
  round: ['standing'],
  atHeight: false,
  drawn: { on: 'plan', as: 'acrossHeads' },
  orderSheet: { code: 'B2', name: 'Forefoot width', how: 'over first and fifth met heads' },
})
