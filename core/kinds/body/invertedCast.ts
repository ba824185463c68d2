import { bodyAmount, NOTHING, said } from './definition'

/** Share of the cast's inversion that is expected at the heel (Blake 1986). */
const EXPECTED_SHARE = 0.2

/** The inverted technique: the rear of the cast turned as a body. */
export const invertedCast = bodyAmount({
  kind: 'invertedCast',
  name: 'Inverted technique',
  note: 'its rear as a body',
  full: 'Inverted technique',
  group: 'Posts and lift',
  unit: '°',
  step: 5,
  range: [0, 45],
  fallback: null,
  start: 25,
  usual: [15, 35],
  call: 'inverted',
  plain: (v) => (v > 0 ? 'a heel that is held firmly on its inner side' : null),
  child: 'only on a prescription: it pushes hard',
  insensate: 'not under skin that does not feel: it pushes hard',
  read: (d) => d.inverted?.castDeg,
  write: (d, v) => ({
    ...d,
    inverted: v === 0 ? undefined : { castDeg: v, expectedHeelDeg: EXPECTED_SHARE * v },
  }),
  sheet: {
    line: 'cast',
    words: (d) =>
      d.inverted
        ? `Inverted technique: cast ${said(d.inverted.castDeg)}°, about ${said(d.inverted.expectedHeelDeg ?? EXPECTED_SHARE * d.inverted.castDeg)}° expected at the heel (Blake 1986), platform in front`
        : null,
  },
  takesMm: NOTHING,
  drawn: 'section',
})
