import { same } from './bands'
import { station } from './definition'

export const heel = station({
  kind: 'heel',
  name: 'Heel',
  short: 'heel',
  where: 'the heel pocket',
  plain: 'hold at the heel',
  child: 'hold it without tightness: it grows',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'width',
  shell: {
    key: 'heelWidthMm',
    name: 'Heel width',
    how: 'Inside calliper in the pocket, 20 mm over the boot board.',
    grows: 'widthMm',
    turn: 10,
  },
  beside: [],
  foot: (f) => f.heelWidthMm,
  reading: 'heelWidthMm',
  missing: 'heelWidthMm',
  liner: 'heel',
  lift: null,
  target: same([-1, 1]),
  targetStated: true,
  closes: 'pad',
  at: { share: 0.1, sides: ['medial', 'lateral'], heightMm: () => 25 },
  orderRegion: 'heel',
})
