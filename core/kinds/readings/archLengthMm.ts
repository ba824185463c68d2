import { reading } from './definition'

export const archLengthMm = reading({
  kind: 'archLengthMm',
  name: 'Arch length',
  call: ['arch', 'arch length'],
  how: 'rearmost heel to the centre of the first met joint',
  instrument: 'measuring board',
  plain: 'length from the heel to the ball',
  child: 'grows: take it again every season',
  insensate: 'read it as usual',
  boundsMm: [50, 300],
  repeatMm: 3,
  ratio: { mean: 0.73, sd: 0.017, state: 'own assumption' },
  view: 'plan',
  round: ['sitting', 'standing'],
  atHeight: false,
  drawn: { on: 'plan', as: 'archLength' },
  orderSheet: { code: 'B3', name: 'Arch length', how: 'heel to the first joint' },
})
