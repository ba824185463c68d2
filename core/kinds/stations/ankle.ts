import { same } from './bands'
import { station } from './definition'

export const ankle = station({
  kind: 'ankle',
  name: 'Ankle',
  short: 'ankle',
  where: 'the ankle pocket',
  plain: 'room for the ankle bones',
  child: 'hold it without tightness: it grows',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'width',
  shell: {
    key: 'ankleWidthMm',
    name: 'Ankle width',
    how: 'Inside calliper between the two ankle pockets.',
    grows: 'widthMm',
    turn: 12,
  },
  beside: [],
  foot: (f) => f.malleolusWidthMm,
  reading: 'malleolusWidthMm',
  missing: 'malleolusWidthMm',
  liner: 'ankle',
  lift: null,
  target: same([-1, 2]),
  targetStated: true,
  closes: 'pad',
  at: {
    share: 0.22,
    lateralShare: 0.19,
    lateralLowerMm: 12,
    sides: ['medial', 'lateral'],
    heightMm: (f) => f.malleolusHeightMm ?? 0.3 * f.lengthMm,
  },
  orderRegion: 'ankle',
})
