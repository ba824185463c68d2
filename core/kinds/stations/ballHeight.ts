import { HEIGHTS } from './bands'
import { station } from './definition'

export const ballHeight = station({
  kind: 'ballHeight',
  name: 'Ball height',
  short: 'ball height',
  where: 'over the ball',
  plain: 'room over the ball',
  child: 'room to grow is counted at the toes; look again every season',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'height',
  shell: {
    key: 'ballHeightMm',
    name: 'Ball height',
    how: 'Boot board to the roof over the ball.',
    grows: 'heightMm',
    turn: 5,
  },
  beside: [],
  foot: (f) => f.ballHeightMm,
  reading: 'ballHeightMm',
  missing: 'ballHeightMm',
  liner: 'ball',
  lift: 'ball',
  target: HEIGHTS,
  targetStated: false,
  closes: null,
  at: {
    share: 0.66,
    sides: ['top'],
    heightMm: (f) => 0.62 * (f.dorsumHeightMm ?? 0.24 * f.lengthMm),
  },
  orderRegion: null,
})
