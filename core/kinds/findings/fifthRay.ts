import { choice } from './definition'

export const fifthRay = choice({
  kind: 'fifthRay',
  group: 'range',
  name: 'Fifth ray',
  how: 'against the others',
  plain: 'how the little-toe side stands',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  harm: { level: 0, sunk: 1, elevated: 1 },
  options: [
    ['level', 'level'],
    ['sunk', 'sunk'],
    ['elevated', 'elevated'],
  ],
})
