import { process } from './definition'
import { DUST } from './cautions'

export const adjust = process({
  kind: 'adjust',
  plain: 'a small change to what you wear already',
  child: 'look at the room to grow first: it may be outgrown, not wrong',
  insensate: 'look at the skin before and after, and again after the first wear',
  row: {
    id: 'adjust',
    name: 'Adjustment',
    steps: [
      { id: 'mark', words: 'Mark what is changed', minutes: 3 },
      {
        id: 'change',
        words: 'Grind, heat or pad as prescribed',
        minutes: 10,
        perFoot: true,
        needs: ['grinder'],
        caution: DUST,
      },
      { id: 'try', words: 'Try in the footwear', minutes: 5, client: true, needs: ['chair'] },
    ],
  },
})
