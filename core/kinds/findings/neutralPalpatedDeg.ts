import { angle } from './definition'

export const neutralPalpatedDeg = angle({
  kind: 'neutralPalpatedDeg',
  group: 'alignment',
  name: 'Neutral by palpation',
  how: 'talar head equal on both sides',
  plain: 'the middle position of the heel',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: null,
  call: 'neutral',
  plus: 'varus',
  minus: 'valgus',
  positions: ['prone', 'supine', 'standing'],
  range: false,
  bounds: [-45, 45],
  acrossHeel: false,
})
