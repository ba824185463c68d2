import { angle } from './definition'

export const tibialVarumDeg = angle({
  kind: 'tibialVarumDeg',
  group: 'alignment',
  name: 'Tibial varum',
  how: 'standing, shin to the vertical',
  plain: 'how the shin stands',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: null,
  call: 'tibia',
  plus: 'varum',
  minus: 'valgum',
  positions: ['standing'],
  range: false,
  bounds: [-45, 45],
  acrossHeel: false,
})
