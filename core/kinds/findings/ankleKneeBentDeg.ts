import { angle } from './definition'

export const ankleKneeBentDeg = angle({
  kind: 'ankleKneeBentDeg',
  group: 'range',
  name: 'Ankle, knee bent',
  how: 'foot neutral, knee bent',
  plain: 'how far the ankle bends',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: null,
  call: 'bent',
  plus: 'dorsiflexion',
  minus: '',
  positions: ['supine', 'prone', 'sitting', 'standing'],
  harm: (deg) => -deg,
  range: true,
  bounds: [-45, 45],
  acrossHeel: false,
})
