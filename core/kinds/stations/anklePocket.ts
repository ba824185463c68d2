import { same } from './bands'
import { station } from './definition'

/** How the bone of the inner ankle stands to the middle of its pocket, with what lies under the heel. */
export const anklePocket = station({
  kind: 'anklePocket',
  name: 'Ankle bone',
  short: 'ankle bone',
  where: 'the edge of the ankle pocket',
  plain: 'the ankle bones sit in their pockets',
  child: 'bones that sit beside their pocket are pressed with every step',
  insensate: 'nothing may press here: look at the skin instead of asking',
  measure: 'level',
  verdicts: {
    tight: 'far too high',
    snug: 'too high',
    right: 'in its pocket',
    roomy: 'too low',
    loose: 'far too low',
  },
  shell: {
    key: 'ankleHeightMm',
    name: 'Ankle pocket height',
    how: 'Boot board to the middle of the inner pocket.',
    grows: 'heightMm',
    turn: 13,
  },
  beside: [],
  foot: (f) => f.malleolusHeightMm,
  reading: 'medialMalleolusHeightMm',
  missing: 'medialMalleolusHeightMm',
  liner: null,
  lift: 'heel',
  target: same([-5, 5]),
  targetStated: false,
  closes: 'shim',
  at: {
    share: 0.22,
    lateralShare: 0.19,
    lateralLowerMm: 12,
    sides: ['medial', 'lateral'],
    heightMm: (f) => f.malleolusHeightMm ?? 0.3 * f.lengthMm,
  },
  orderRegion: 'ankle',
})
