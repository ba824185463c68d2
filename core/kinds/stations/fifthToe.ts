import { BUMPS } from './bands'
import { station } from './definition'

export const fifthToe = station({
  kind: 'fifthToe',
  name: 'Fifth toe',
  short: 'fifth toe',
  where: 'beside the fifth toe',
  plain: 'room beside the little toe',
  child: 'room to grow is counted at the toes; look again every season',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'bump',
  shell: {
    key: 'fifthToeRoomMm',
    name: 'Room beside the fifth toe',
    how: 'How far the wall stands out of a smooth foot’s line: 0 where it is smooth.',
    grows: null,
    turn: 16,
  },
  instead: 'toeBox',
  beside: [],
  foot: (f) => f.proudMm?.fifthToe,
  reading: null,
  missing: 'findings.marks (fifth toe)',
  liner: 'toe',
  lift: null,
  target: BUMPS,
  targetStated: false,
  closes: null,
  at: { share: 0.86, sides: ['lateral'], heightMm: () => 12 },
  orderRegion: null,
})
