import { choice } from './definition'

export const skin = choice({
  kind: 'skin',
  group: 'skin',
  name: 'Warmth',
  how: 'back of the hand, both feet',
  plain: 'how warm the foot is',
  child: 'looked at as in adults',
  insensate: 'a hot foot is looked at first, today',
  options: [
    ['usual', 'usual'],
    ['cold', 'cold'],
    ['hot', 'hot'],
  ],
})
