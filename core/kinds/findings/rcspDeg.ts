import { angle } from './definition'

export const rcspDeg = angle({
  kind: 'rcspDeg',
  group: 'alignment',
  name: 'Relaxed stance',
  how: 'standing at ease, heel to the floor',
  plain: 'how the heel stands',
  child: 'a growing heel is usually everted; no adult class',
  insensate: 'read it as usual',
  within: null,
  call: 'stance',
  plus: 'inverted, tilts out',
  minus: 'everted, tilts in',
  positions: ['standing'],
  harm: (deg) => Math.abs(deg),
  range: false,
  bounds: [-45, 45],
  acrossHeel: true,
})
