import { GIRTHS } from './bands'
import { station } from './definition'

export const instep = station({
  kind: 'instep',
  name: 'Instep',
  short: 'instep',
  where: 'the instep',
  plain: 'hold around the instep',
  child: 'hold it without tightness: it grows',
  insensate: 'a tight instep takes blood and feeling from the toes: leave room',
  measure: 'girth',
  shell: {
    key: 'instepGirthMm',
    name: 'Instep girth',
    how: 'Tape inside, around the highest of the instep.',
    grows: 'girthMm',
    turn: 8,
  },
  beside: [],
  foot: (f) => f.instepGirthMm,
  reading: 'instepGirthMm',
  missing: 'instepGirthMm',
  liner: 'instep',
  lift: null,
  target: GIRTHS,
  targetStated: true,
  closes: null,
  at: { share: 0.47, sides: ['top'], heightMm: (f) => f.dorsumHeightMm ?? 0.24 * f.lengthMm },
  orderRegion: null,
})
