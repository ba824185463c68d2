import { reading } from './definition'

export const dorsumHeightMm = reading({
  kind: 'dorsumHeightMm',
  name: 'Dorsum height',
  call: ['dorsum', 'dorsum height'],
  how: 'top of the foot at half foot length',
  instrument: 'height gauge',
  plain: 'height of the instep',
  child: 'a low arch is usual until about seven years',
  insensate: 'read it as usual',
  boundsMm: [5, 150],
  repeatMm: 2,
  ratio: { mean: 0.248, sd: 0.026, state: 'own assumption' },
  view: 'heights',
  round: ['sitting', 'standing'],
  atHeight: false,
  drawn: { on: 'side', as: 'height', share: 0.5, of: 'dorsum' },
  orderSheet: { code: 'I2', name: 'Dorsum height', how: 'at half the foot length' },
})
