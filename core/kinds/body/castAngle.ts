import { bodyAmount, NOTHING, said } from './definition'

const pourWords = (deg: number) =>
  `${said(Math.abs(deg))}° ${deg > 0 ? 'inverted' : 'everted'} to the floor`

/** Angle at which the heel bisection of the cast stands before anything is built on it. */
export const castAngle = bodyAmount({
  kind: 'castAngle',
  name: 'Heel poured at',
  note: 'to the floor, + inverted',
  full: 'Pour',
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
  read: (d) => d.balance.pourDeg,
  write: (d, v) => ({ ...d, balance: { pourDeg: v } }),
  sheet: {
    line: 'cast',
    words: (d) =>
      d.balance.pourDeg === 0 ? null : `Heel poured at ${pourWords(d.balance.pourDeg)}`,
  },
  takesMm: NOTHING,
  drawn: 'section',
})
