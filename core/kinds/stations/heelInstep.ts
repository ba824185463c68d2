import { same } from './bands'
import { station } from './definition'

export const heelInstep = station({
  kind: 'heelInstep',
  name: 'Heel–instep',
  short: 'heel–instep',
  where: 'heel and instep',
  plain: 'hold from heel to instep',
  child: 'hold it without tightness: it grows',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'girth',
  shell: {
    key: 'heelInstepGirthMm',
    name: 'Heel–instep girth',
    how: 'Tape inside, from the point of the heel around the bend.',
    grows: 'girthMm',
    turn: 9,
  },
  beside: [],
  foot: (f) => f.heelInstepGirthMm,
  reading: 'heelInstepGirthMm',
  missing: 'heelInstepGirthMm',
  liner: 'heel',
  lift: null,
  target: same([-1, 2]),
  targetStated: false,
  closes: 'pad',
  at: {
    share: 0.3,
    sides: ['top'],
    heightMm: (f) => 1.35 * (f.dorsumHeightMm ?? 0.24 * f.lengthMm),
  },
  orderRegion: 'instep',
})
