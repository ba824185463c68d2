import { activity } from './definition'

export const mountaineering = activity({
  kind: 'mountaineering',
  name: 'Mountaineering',
  plain: 'climbing mountains',
  group: 'mountain',
  child: 'not with borrowed boots: growth room first',
  insensate: 'cold and pressure are not felt: look at the toes at every rest',
  cautions: ['Crampons are tried on again after any change of the sole.'],
  families: ['rigid-shell', 'laced-boot', 'work-boot'],
  terrains: ['rock', 'ice', 'long approach', 'scree'],
  cuffOn: {
    ice: { steps: 1, leanDeg: 0 },
    'long approach': { steps: -1, leanDeg: -1 },
  },
  force: 'hard',
  ask: 'Front points or long walks? Which toes touch on the way down?',
  allowance: 'boots',
  cold: true,
  lowRoom: false,
  springs: false,
  recheck: null,
  onBoard: false,
  shiftMm: {},
})
