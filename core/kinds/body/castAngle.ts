import { bodyAmount, NOTHING, said } from './definition'

/** Angle the cast is balanced to before anything is built on it. */
export const castAngle = bodyAmount({
  kind: 'castAngle',
  name: 'Cast balanced to',
  note: '+ inverted',
  full: 'Cast',
  group: 'Posts and lift',
  unit: '°',
  step: 1,
  range: [-45, 45],
  fallback: 0,
  start: 2,
  usual: [-10, 10],
  call: 'cast',
  plain: null,
  child: 'not in a growing foot without a reason of its own',
  insensate: 'no tilt that presses where nothing is felt',
  read: (d) => d.castAngleDeg,
  write: (d, v) => ({ ...d, castAngleDeg: v }),
  sheet: {
    line: 'cast',
    words: (d) => (d.castAngleDeg === 0 ? null : `Cast balanced to ${said(d.castAngleDeg)}°`),
  },
  takesMm: NOTHING,
  drawn: 'section',
})
