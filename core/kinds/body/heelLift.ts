import { bodyAmount, said, type DeviceBody } from './definition'

/** Which half it stands under, and whether it lies in the cover. */
const howWords = ({ heelLift }: DeviceBody): string =>
  [
    ...(heelLift?.half && heelLift.half !== 'whole' ? [`${heelLift.half} half`] : []),
    ...(heelLift?.in === 'cover' ? ['in the cover'] : []),
  ]
    .map((words) => `, ${words}`)
    .join('')

/** How much the whole heel stands higher. */
export const heelLift = bodyAmount({
  kind: 'heelLift',
  name: 'Heel lift',
  note: 'a wedge to the front edge',
  full: 'Heel lift',
  group: 'Posts and lift',
  unit: 'mm',
  step: 1,
  range: [0, 40],
  fallback: 0,
  start: 3,
  usual: [0, 8],
  call: 'lift',
  plain: (v) => (v > 0 ? 'a small lift under the heel' : null),
  child: 'on both feet, for a sore heel or a tight calf',
  insensate: 'as soft as the rest',
  read: (d) => d.heelLiftMm,
  write: (d, v) => ({ ...d, heelLiftMm: v }),
  sheet: {
    line: 'lift',
    words: (d) => (d.heelLiftMm > 0 ? `Heel lift ${said(d.heelLiftMm)} mm${howWords(d)}` : null),
  },
  takesMm: (d) => (d.heelLift?.in === 'cover' ? { heel: d.heelLiftMm } : {}),
  drawn: 'section',
})
