import { angle } from './definition'

export const firstToeUnloadedDeg = angle({
  kind: 'firstToeUnloadedDeg',
  group: 'range',
  name: 'Big toe, unloaded',
  how: 'extension in the air',
  plain: 'how far the big toe bends in the air',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: null,
  call: 'bigtoe',
  plus: 'extension',
  minus: '',
  positions: ['supine', 'sitting', 'prone'],
  harm: (deg) => -deg,
  range: true,
  bounds: [0, 120],
  acrossHeel: false,
})
