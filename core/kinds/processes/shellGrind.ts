import { process } from './definition'
import { DUST } from './cautions'

export const shellGrind = process({
  kind: 'shell-grind',
  plain: 'taking a little off the inside of the shell',
  child: 'growth room first, then a grind',
  insensate: 'no edge may be left inside',
  row: {
    id: 'shell-grind',
    name: 'Shell grind',
    works: ['grind'],
    steps: [
      { id: 'mark', words: 'Mark the spot', minutes: 3 },
      {
        id: 'grind',
        words: 'Grind, measuring the wall between passes',
        minutes: 10,
        needs: ['grinder'],
        caution: DUST,
      },
      { id: 'polish', words: 'Polish', minutes: 5, needs: ['grinder'] },
    ],
  },
})
