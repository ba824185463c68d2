import { reading } from './definition'

export const navicularHeightMm = reading({
  kind: 'navicularHeightMm',
  name: 'Navicular height',
  call: ['navicular', 'nav'],
  how: 'navicular tuberosity to the floor',
  instrument: 'height gauge',
  plain: 'height of the inner midfoot',
  child: 'a low arch is usual until about seven years',
  insensate: 'read it as usual',
  boundsMm: [5, 150],
  repeatMm: 2,
  ratio: { mean: 0.166, sd: 0.035, state: 'own assumption' },
  view: 'heights',
  round: ['sitting', 'standing'],
  atHeight: false,
  drawn: { on: 'side', as: 'height', share: 0.4, of: 'navicular' },
  orderSheet: { code: 'N1', name: 'Navicular height', how: 'its bump to the floor' },
})
