import { angle } from './definition'

export const ankleKneeStraightDeg = angle({
  kind: 'ankleKneeStraightDeg',
  group: 'range',
  name: 'Ankle, knee straight',
  how: 'foot neutral, knee straight',
  plain: 'how far the ankle bends with a straight knee',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: null,
  call: 'straight',
  plus: 'dorsiflexion',
  minus: '',
  positions: ['supine', 'prone', 'sitting', 'standing'],
  harm: (deg) => -deg,
  range: true,
  bounds: [-45, 45],
  acrossHeel: false,
})
