import { row } from './bands'
import { station } from './definition'

export const cuff = station({
  kind: 'cuff',
  name: 'Cuff',
  short: 'cuff',
  where: 'the cuff',
  plain: 'room for the calf',
  child: 'room to grow is counted at the toes; look again every season',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'girth',
  shell: {
    key: 'cuffGirthMm',
    name: 'Cuff girth',
    how: 'Tape inside the top of the cuff, closed as worn.',
    grows: 'girthMm',
    turn: 14,
  },
  beside: [
    {
      key: 'cuffHeightMm',
      name: 'Cuff height',
      how: 'Boot board to the top of the cuff.',
      grows: 'heightMm',
      turn: 15,
    },
  ],
  foot: (f) => f.calfGirthMm,
  reading: 'calfGirthMm',
  missing: 'calfGirthMm',
  liner: 'ankle',
  lift: null,
  target: row([0, 4], [0, 6], [0, 8], [0, 10]),
  targetStated: true,
  closes: null,
  at: { share: 0.16, sides: ['both'], heightMm: (f) => 0.95 * f.lengthMm },
  orderRegion: 'calf',
})
