import { choice } from './definition'

export const pulses = choice({
  kind: 'pulses',
  group: 'skin',
  name: 'Pulses',
  how: 'on the instep and behind the inner ankle',
  plain: 'the blood flow to the foot',
  child: 'looked at as in adults',
  insensate: 'one missing place is enough for a look by somebody entitled to it',
  harm: { both: 0, one: 1, weak: 2, absent: 3 },
  options: [
    ['both', 'both'],
    ['one', 'one'],
    ['weak', 'weak'],
    ['absent', 'absent'],
  ],
})
