import { choice } from './definition'

export const swelling = choice({
  kind: 'swelling',
  group: 'skin',
  name: 'Swelling',
  how: 'press for ten seconds, both feet',
  plain: 'whether the foot is swollen',
  child: 'looked at as in adults',
  insensate: 'swelling with warmth is looked at first, today',
  harm: { none: 0, present: 1 },
  options: [
    ['none', 'none'],
    ['present', 'present'],
  ],
})
