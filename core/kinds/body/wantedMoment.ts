import { bodyAmount, NOTHING } from './definition'

/** The wanted change of the turning moment against the plain device. */
export const wantedMoment = bodyAmount({
  kind: 'wantedMoment',
  name: 'Wanted moment',
  note: '+ supination',
  full: 'Wanted moment',
  group: 'Posts and lift',
  unit: 'N·mm',
  step: 10,
  range: [-3000, 3000],
  fallback: null,
  start: 0,
  usual: null,
  call: 'moment',
  plain: null,
  child: 'no estimates of push for children',
  insensate: 'no estimates of push for this foot',
  read: (d) => d.aimNmm,
  write: (d, v) => ({ ...d, aimNmm: v || undefined }),
  sheet: null,
  takesMm: NOTHING,
  drawn: 'number only',
})
