import { HEIGHTS } from './bands'
import { station } from './definition'

export const toeBoxHeight = station({
  kind: 'toeBoxHeight',
  name: 'Toe height',
  short: 'toe height',
  where: 'over the toes',
  plain: 'room over the toes',
  child: 'room to grow is counted at the toes; look again every season',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'height',
  shell: {
    key: 'toeBoxHeightMm',
    name: 'Toe box height',
    how: 'Boot board to the roof, 20 mm behind the front.',
    grows: 'heightMm',
    turn: 4,
  },
  beside: [],
  foot: (f) => f.toeHeightMm,
  reading: 'toeBoxHeightMm',
  missing: 'toeBoxHeightMm',
  liner: 'toe',
  lift: 'toes',
  target: HEIGHTS,
  targetStated: true,
  closes: null,
  at: { share: 0.92, sides: ['top'], heightMm: (f) => f.toeHeightMm ?? 24 },
  orderRegion: 'toe',
})
