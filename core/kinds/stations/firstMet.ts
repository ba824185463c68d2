import { BUMPS } from './bands'
import { station } from './definition'

export const firstMet = station({
  kind: 'firstMet',
  name: 'First met',
  short: 'first met',
  where: 'beside the first met head',
  plain: 'room beside the big-toe joint',
  child: 'room to grow is counted at the toes; look again every season',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'bump',
  shell: {
    key: 'firstMetRoomMm',
    name: 'Room beside the first met head',
    how: 'How far the wall stands out of a smooth foot’s line.',
    grows: null,
    turn: 18,
  },
  instead: 'ball',
  beside: [],
  foot: (f) => f.proudMm?.firstMet,
  reading: null,
  missing: 'findings.marks (first met head)',
  liner: 'ball',
  lift: null,
  target: BUMPS,
  targetStated: false,
  closes: null,
  at: { share: 0.725, sides: ['medial'], heightMm: () => 14 },
  orderRegion: 'ball',
})
