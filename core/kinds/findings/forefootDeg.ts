import { angle } from './definition'

export const forefootDeg = angle({
  kind: 'forefootDeg',
  group: 'alignment',
  name: 'Forefoot to rearfoot',
  how: 'rearfoot neutral, midtarsal joint locked',
  plain: 'how the ball stands to the heel',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: null,
  call: 'varus',
  plus: 'varus, inner up',
  minus: 'valgus, outer up',
  positions: ['prone', 'supine', 'sitting'],
  range: false,
  bounds: [-45, 45],
  acrossHeel: false,
})
