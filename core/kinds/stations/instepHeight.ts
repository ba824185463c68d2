import { row } from './bands'
import { station } from './definition'

export const instepHeight = station({
  kind: 'instepHeight',
  name: 'Instep height',
  short: 'instep height',
  where: 'over the instep',
  plain: 'room over the instep',
  child: 'hold it without tightness: it grows',
  insensate: 'a tight instep takes blood and feeling from the toes: leave room',
  measure: 'height',
  shell: {
    key: 'instepHeightMm',
    name: 'Instep height',
    how: 'Boot board to the roof at half length.',
    grows: 'heightMm',
    turn: 6,
  },
  beside: [],
  foot: (f) => f.dorsumHeightMm,
  reading: 'dorsumHeightMm',
  missing: 'dorsumHeightMm',
  liner: 'instep',
  lift: 'instep',
  target: row([-1, 1], [0, 2], [1, 4], [2, 6]),
  targetStated: false,
  closes: 'shim',
  at: { share: 0.5, sides: ['top'], heightMm: (f) => f.dorsumHeightMm ?? 0.24 * f.lengthMm },
  orderRegion: 'instep',
})
