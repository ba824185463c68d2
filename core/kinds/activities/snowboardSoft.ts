import { activity } from './definition'

export const snowboardSoft = activity({
  kind: 'snowboard-soft',
  name: 'Snowboard, soft boots',
  plain: 'snowboarding',
  group: 'snow',
  child: 'growth room in the shell, never two pairs of socks',
  insensate: 'numb toes are not felt in a soft boot either: open it every hour',
  cautions: [
    'How far the boot stands over the edge of the board changes with its size: look again.',
  ],
  families: ['soft-boot'],
  terrains: ['park', 'piste', 'powder', 'splitboard'],
  cuffOn: {
    park: { steps: -1.5, leanDeg: 0 },
    piste: { steps: 0.5, leanDeg: 0 },
    powder: { steps: -0.5, leanDeg: 0 },
  },
  force: 'hard',
  ask: 'Which foot is in front, at what angles, and does the heel lift on toe turns?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  // Nothing in its binding releases.
  recheck: null,
  onBoard: true,
  shiftMm: {},
})
