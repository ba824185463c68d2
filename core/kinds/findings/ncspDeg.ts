import { angle } from './definition'

export const ncspDeg = angle({
  kind: 'ncspDeg',
  group: 'alignment',
  name: 'Neutral stance',
  how: 'standing in neutral, heel to the floor',
  plain: 'how the heel would stand in its middle',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: null,
  call: 'ncsp',
  plus: 'inverted',
  minus: 'everted',
  positions: ['standing'],
  range: false,
  bounds: [-45, 45],
  acrossHeel: true,
})
