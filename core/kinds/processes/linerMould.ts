import { process } from './definition'
import { SOCK } from './cautions'

export const linerMould = process({
  kind: 'liner-mould',
  plain: 'warming the liner and shaping it to you',
  child: 'the skin margin for children holds; a guardian is there',
  insensate: 'never on this foot: shape it over a cast or a padded last',
  row: {
    id: 'liner-mould',
    name: 'Liner mould',
    materials: 'toe cap, thin sock, padding',
    steps: [
      {
        id: 'heat',
        words: 'Liners on the blower or in the oven',
        minutes: 10,
        waiting: true,
        needs: ['blower'],
        fresh: true,
        heat: 'liner',
      },
      {
        id: 'foot-in',
        words: 'Foot in, with sock and toe cap',
        minutes: 2,
        client: true,
        needs: ['chair'],
        skinMin: 20,
        ready: ['Sock and toe cap on', 'Inside measured'],
        caution: SOCK,
      },
      {
        id: 'hold',
        words: 'Buckle, stand, hold',
        minutes: 10,
        waiting: true,
        client: true,
        needs: ['chair'],
      },
      {
        id: 'cool',
        words: 'Cool in the shell',
        minutes: 10,
        waiting: true,
        client: true,
        needs: ['chair'],
      },
    ],
  },
})
