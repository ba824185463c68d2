import { GIRTHS } from './bands'
import { station } from './definition'

export const waist = station({
  kind: 'waist',
  name: 'Waist',
  short: 'waist',
  where: 'the waist',
  plain: 'hold at the middle of the foot',
  child: 'hold it without tightness: it grows',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'girth',
  shell: {
    key: 'waistGirthMm',
    name: 'Waist girth',
    how: 'Tape inside, around the narrowest of the midfoot.',
    grows: 'girthMm',
    turn: 7,
  },
  beside: [],
  foot: (f) => f.waistGirthMm,
  reading: 'waistGirthMm',
  missing: 'waistGirthMm',
  liner: 'instep',
  lift: null,
  target: GIRTHS,
  targetStated: true,
  closes: 'tongue pad',
  at: { share: 0.46, sides: ['medial', 'lateral'], heightMm: () => 30 },
  orderRegion: 'fifthMetBase',
})
