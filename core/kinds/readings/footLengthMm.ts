import { reading } from './definition'

export const footLengthMm = reading({
  kind: 'footLengthMm',
  name: 'Foot length',
  call: ['length', 'len', 'foot length'],
  how: 'rearmost heel to the longest toe, along the axis',
  instrument: 'measuring board',
  plain: 'length of the foot',
  child: 'grows: the date belongs to it, growth room is counted from it',
  insensate: 'read it as usual',
  boundsMm: [80, 400],
  repeatMm: 2,
  ratio: null,
  view: 'plan',
  round: ['sitting', 'standing'],
  atHeight: false,
  drawn: { on: 'plan', as: 'length' },
  orderSheet: { code: 'T2', name: 'Foot length', how: 'heel to the longest toe' },
})
