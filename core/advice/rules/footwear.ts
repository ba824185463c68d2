import { bestMean } from '../../measure/reading'
import { SIDES } from '../../tables/vocabulary'
import { ofRecord, type RecordRule } from '../rule'

const watch = { school: 'all', kind: 'watch', children: true } as const

/** What the two feet and the chosen pair ask for. */
export const FOOTWEAR: readonly RecordRule[] = [
  ofRecord({
    ...watch,
    code: 'ball-gap',
    source: 'workshop default: half a shell size and more at the ball',
    when: ({ record }, limit) => {
      const [l, r] = SIDES.map(
        (side) => record.feet[side] && bestMean(record.feet[side]!, 'forefootWidthMm', 'standing'),
      )
      return l !== undefined && r !== undefined && limit.over('mm', Math.abs(l - r))
        ? {
            words: `The forefeet differ by ${Math.abs(l - r).toFixed(1)} mm. Compare one size with work, a split pair, and a custom shell.`,
            triggers: ['feet.left.readings.forefootWidthMm', 'feet.right.readings.forefootWidthMm'],
          }
        : null
    },
  }),
  ofRecord({
    ...watch,
    code: 'split-pair',
    source: 'workshop practice',
    when: ({ record }) => {
      const chosen = record.footwear?.chosen
      return chosen?.sizeLeftMm !== undefined &&
        chosen.sizeRightMm !== undefined &&
        chosen.sizeLeftMm !== chosen.sizeRightMm
        ? {
            words:
              `Split pair: left ${(chosen.sizeLeftMm / 10).toFixed(1)}, ` +
              `right ${(chosen.sizeRightMm / 10).toFixed(1)}. Ask the maker before promising it.`,
            triggers: ['footwear.chosen'],
          }
        : null
    },
  }),
]
