import { angle } from './definition'

export const firstToeLoadedDeg = angle({
  kind: 'firstToeLoadedDeg',
  group: 'range',
  name: 'Big toe, loaded',
  how: 'extension with the ball pressed down',
  plain: 'how far the big toe bends when you stand',
  child: 'read it as usual',
  insensate: 'read it as usual',
  within: null,
  call: 'toeload',
  plus: 'extension',
  minus: '',
  positions: ['standing', 'sitting', 'supine'],
  harm: (deg) => -deg,
  range: true,
  bounds: [0, 120],
  acrossHeel: false,
})
