import { angle } from './definition'

export const inversionDeg = angle({
  kind: 'inversionDeg',
  group: 'alignment',
  name: 'Inversion, largest',
  how: 'prone, heel against the leg',
  plain: 'how far the heel turns in',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: 'subtalar',
  call: 'inversion',
  plus: 'inverts',
  minus: '',
  positions: ['prone', 'supine', 'sitting'],
  range: true,
  bounds: [0, 120],
  acrossHeel: false,
})
