import { WIDTHS } from './bands'
import { station } from './definition'

export const toeBox = station({
  kind: 'toeBox',
  name: 'Toe box',
  short: 'toe box',
  where: 'the toe box',
  plain: 'room beside the toes',
  child: 'room to grow is counted at the toes; look again every season',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'width',
  shell: {
    key: 'toeBoxWidthMm',
    name: 'Toe box width',
    how: 'Inside calliper, 30 mm behind the front.',
    grows: 'widthMm',
    turn: 3,
  },
  beside: [],
  foot: (f) => f.toeWidthMm,
  reading: 'toeWidthMm',
  missing: 'toeWidthMm',
  liner: 'toe',
  lift: null,
  target: WIDTHS,
  targetStated: false,
  closes: null,
  at: { share: 0.9, sides: ['medial', 'lateral'], heightMm: (f) => (f.toeHeightMm ?? 24) / 2 },
  orderRegion: 'toe',
})
