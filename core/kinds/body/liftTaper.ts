import { bodyAmount, NOTHING, said } from './definition'

/** Length over which the lift runs out in front of the heel. */
export const liftTaper = bodyAmount({
  kind: 'liftTaper',
  name: 'its taper',
  note: 'length in front of the heel',
  full: 'Taper of the heel lift',
  group: 'Posts and lift',
  unit: 'mm',
  step: 10,
  range: [20, 200],
  fallback: null,
  start: 100,
  usual: null,
  call: null,
  plain: null,
  child: 'outgrown soon: a lesser measure first',
  insensate: 'run out long: no step',
  read: (d) => d.liftTaperMm,
  write: (d, v) => ({ ...d, liftTaperMm: v }),
  sheet: {
    line: 'lift',
    words: (d) =>
      d.heelLiftMm > 0 && d.liftTaperMm ? `run out over ${said(d.liftTaperMm)} mm` : null,
  },
  takesMm: NOTHING,
  drawn: 'section',
})
