import { activity } from './definition'

export const trackSpikes = activity({
  kind: 'track-spikes',
  name: 'Track in spikes',
  plain: 'running on the track in spikes',
  group: 'running',
  child: 'spikes for races only, growth room stays',
  insensate: 'a plate that presses is not felt: look after every session',
  cautions: ['A device as thin as it goes, or none: the plate decides.'],
  families: ['cleat'],
  terrains: ['sprint', 'middle distance', 'jumps'],
  cuffOn: {},
  force: 'hard',
  ask: 'Which distance, and how long do you keep them on?',
  allowance: 'shoes',
  cold: false,
  lowRoom: true,
  springs: true,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
