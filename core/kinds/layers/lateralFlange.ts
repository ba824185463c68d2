import { flange } from './flange'
import { layer } from './definition'

/** A wall along the outer border; with a medial one it holds a foot that cuts from side to side. */
export const lateralFlange = layer({
  ...flange(false),
  kind: 'lateralFlange',
  name: 'Lateral flange',
  call: 'sidewall',
  does: 'a wall along the outer border',
  plain: 'a wall along the outer side that holds it there',
  where: 'wall · along the outer border',
  clashes: [
    {
      code: 'flange-in-low-volume',
      kind: 'watch',
      when: (_, around) => around.lowRoom,
      words:
        'A lateral flange does not go into footwear with little room. A deeper cup holds without bulk.',
      triggers: ['story.intent'],
    },
  ],
})
