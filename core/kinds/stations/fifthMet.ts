import { BUMPS } from './bands'
import { station } from './definition'

export const fifthMet = station({
  kind: 'fifthMet',
  name: 'Fifth met',
  short: 'fifth met',
  where: 'beside the fifth met head',
  plain: 'room beside the little-toe joint',
  child: 'room to grow is counted at the toes; look again every season',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'bump',
  shell: {
    key: 'fifthMetRoomMm',
    name: 'Room beside the fifth met head',
    how: 'How far the wall stands out of a smooth foot’s line.',
    grows: null,
    turn: 17,
  },
  instead: 'ball',
  beside: [],
  foot: (f) => f.proudMm?.fifthMet,
  reading: null,
  missing: 'findings.marks (fifth met head)',
  liner: 'ball',
  lift: null,
  target: BUMPS,
  targetStated: false,
  closes: null,
  at: { share: 0.645, sides: ['lateral'], heightMm: () => 14 },
  orderRegion: 'ball',
})
