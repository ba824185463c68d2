import { row } from './bands'
import { station } from './definition'

export const length = station({
  kind: 'length',
  name: 'Length',
  short: 'length',
  where: 'the toe',
  plain: 'room before the toes',
  child: 'room to grow replaces the band; never filled with thick socks',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'length',
  shell: {
    key: 'lengthMm',
    name: 'Length',
    how: 'Liner out. Stick on the boot board, from the back of the heel to the front.',
    grows: 'lengthMm',
    turn: 1,
  },
  beside: [],
  foot: (f) => f.lengthMm,
  reading: 'footLengthMm',
  missing: 'footLengthMm',
  liner: null,
  lift: null,
  target: row([5, 10], [10, 15], [15, 20], [20, 28]),
  targetStated: true,
  closes: null,
  at: { share: 1, sides: ['front'], heightMm: () => 10 },
  orderRegion: null,
})
