import { choice } from './definition'

export const axis = choice({
  kind: 'axis',
  group: 'stance',
  name: 'Subtalar axis',
  how: 'by palpation, in plan',
  plain: 'the line the heel turns about',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  options: [
    ['medial', 'medial'],
    ['central', 'central'],
    ['lateral', 'lateral'],
  ],
})
