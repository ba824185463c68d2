import { angle } from './definition'

export const eversionDeg = angle({
  kind: 'eversionDeg',
  group: 'alignment',
  name: 'Eversion, largest',
  how: 'prone, heel against the leg',
  plain: 'how far the heel turns out',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: 'subtalar',
  call: 'eversion',
  plus: 'everts',
  minus: '',
  positions: ['prone', 'supine', 'sitting'],
  range: true,
  bounds: [0, 120],
  acrossHeel: false,
})
