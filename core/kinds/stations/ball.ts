import { WIDTHS } from './bands'
import { station } from './definition'

export const ball = station({
  kind: 'ball',
  name: 'Ball',
  short: 'ball',
  where: 'the ball',
  plain: 'width at the ball',
  child: 'room to grow is counted at the toes; look again every season',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'width',
  shell: {
    key: 'ballWidthMm',
    name: 'Ball width',
    how: 'Inside calliper at the widest, 10 to 15 mm over the boot board, liner out.',
    grows: 'widthMm',
    turn: 2,
  },
  beside: [],
  foot: (f) => f.forefootWidthMm,
  reading: 'forefootWidthMm',
  missing: 'forefootWidthMm',
  liner: 'ball',
  lift: null,
  target: WIDTHS,
  targetStated: true,
  closes: null,
  at: {
    share: 0.69,
    medialShare: 0.725,
    lateralShare: 0.645,
    sides: ['medial', 'lateral'],
    heightMm: () => 14,
  },
  orderRegion: 'ball',
})
