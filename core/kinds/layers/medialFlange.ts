import { flange } from './flange'
import { layer } from './definition'

/** A wall along the arch. */
export const medialFlange = layer({
  ...flange(true),
  kind: 'medialFlange',
  name: 'Medial flange',
  call: 'flange',
  does: 'a wall along the arch',
  plain: 'a wall along the arch that holds it from the side',
  where: 'wall · along the arch',
  clashes: [
    {
      code: 'flange-in-low-volume',
      kind: 'watch',
      when: (_, around) => around.lowRoom,
      words:
        'A medial flange does not go into footwear with little room. A skive holds without bulk.',
      triggers: ['story.intent'],
    },
  ],
})
