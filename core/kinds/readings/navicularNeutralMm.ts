import { reading } from './definition'

export const navicularNeutralMm = reading({
  kind: 'navicularNeutralMm',
  name: 'Navicular, neutral stance',
  call: ['navicular neutral', 'nav neutral'],
  how: 'standing, foot held in neutral: tuberosity to the floor',
  instrument: 'height gauge',
  plain: 'height of the inner midfoot, held up',
  child: 'read it as usual',
  insensate: 'read it as usual',
  boundsMm: [5, 150],
  repeatMm: 2,
  ratio: { mean: 0.185, sd: 0.035, state: 'own assumption' },
  view: 'heights',
  round: [],
  atHeight: false,
  drawn: { on: 'side', as: 'height', share: 0.4, of: 'navicular' },
  orderSheet: null,
})
