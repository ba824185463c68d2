import { process } from './definition'

export const shellStretch = process({
  kind: 'shell-stretch',
  plain: 'making room in the shell where it presses',
  child: 'growth room first, then a stretch',
  insensate: 'a stretch instead of a pad: nothing is added where pressure is not felt',
  row: {
    id: 'shell-stretch',
    name: 'Shell stretch',
    works: ['stretch'],
    steps: [
      { id: 'mark', words: 'Mark the spot', minutes: 3 },
      {
        id: 'heat',
        words: 'Heat the wall evenly',
        minutes: 4,
        needs: ['blower'],
        fresh: true,
        heat: 'boot-shell',
        caution: 'Never above the limit of this plastic.',
      },
      { id: 'press', words: 'Set the press', minutes: 2, needs: ['press'] },
      { id: 'cool', words: 'Cool in the press', minutes: 22, waiting: true, needs: ['press'] },
      { id: 'recheck', words: 'Shell check again', minutes: 5, client: true, needs: ['chair'] },
    ],
  },
})
