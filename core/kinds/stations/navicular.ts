import { GIRTHS } from './bands'
import { station } from './definition'

export const navicular = station({
  kind: 'navicular',
  name: 'Navicular',
  short: 'navicular',
  where: 'at the navicular',
  plain: 'room at the inner midfoot',
  child: 'room to grow is counted at the toes; look again every season',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'bump',
  shell: {
    key: 'navicularRoomMm',
    name: 'Room at the navicular',
    how: 'How far the inner wall stands out there.',
    grows: null,
    turn: 19,
  },
  instead: 'waist',
  beside: [],
  foot: (f) => f.proudMm?.navicular,
  reading: null,
  missing: 'findings.marks (navicular)',
  liner: 'instep',
  lift: null,
  target: GIRTHS,
  targetStated: true,
  closes: null,
  at: { share: 0.45, sides: ['medial'], heightMm: (f) => 0.16 * f.lengthMm },
  orderRegion: 'navicular',
})
