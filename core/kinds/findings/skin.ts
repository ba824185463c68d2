import { choice } from './definition'

export const skin = choice({
  kind: 'skin',
  group: 'skin',
  name: 'Warmth',
  how: 'back of the hand, both feet',
  plain: 'how warm the foot is',
  child: 'looked at as in adults',
  insensate: 'a hot foot is looked at first, today',
  harm: { usual: 0, cold: 1, hot: 1 },
  options: [
    ['usual', 'usual'],
    ['cold', 'cold'],
    ['hot', 'hot'],
  ],
})
