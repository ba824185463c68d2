import { choice } from './definition'

export const hotJoint = choice({
  kind: 'hotJoint',
  group: 'skin',
  name: 'A hot joint',
  how: 'back of the hand over each joint',
  plain: 'whether a joint is hot',
  child: 'looked at as in adults',
  insensate: 'a hot joint is looked at first, today',
  harm: { none: 0, present: 1 },
  options: [
    ['none', 'none'],
    ['present', 'present'],
  ],
})
