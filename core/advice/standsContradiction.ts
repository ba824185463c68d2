import type { Side } from '../tables/vocabulary'
import { STANDING, type Stands } from '../device/stands'
import { wrongWith } from '../device/waysToStand'
import type { Device } from '../record/schema'
import type { Contradiction } from './contradictions'
import type { Figure } from './limits'

/** The number that a sentence about standing rests on, by what is wrong. */
const FIGURES: Record<
  Exclude<ReturnType<typeof wrongWith>, null | 'falls-over'>,
  (stands: Stands) => Figure
> = {
  rocks: ({ rocksDeg }) => ({
    words: 'rocks at most',
    value: rocksDeg,
    limit: STANDING.rockDeg,
    unit: '°',
  }),
  'stands-on-an-edge': ({ rollDeg }) => ({
    words: 'rolls at most',
    value: Math.abs(rollDeg),
    limit: STANDING.rollsDeg,
    unit: '°',
  }),
  hangs: ({ baseGapMm }) => ({
    words: 'hangs at most',
    value: baseGapMm,
    limit: STANDING.hangsMm,
    unit: 'mm',
  }),
}

/**
 * What a device's standing contradicts: it falls over, rocks, stands on one edge, or hangs over what it
 * should stand on. Empty where it stands.
 */
export function standsContradiction(
  stands: Stands | null,
  device: Device,
  side: Side,
): Contradiction[] {
  const code = wrongWith(stands, device)
  if (code === null) return []
  const falls = !stands || code === 'falls-over'
  return [
    {
      code,
      kind: 'watch',
      foot: side,
      words: falls
        ? `The ${side} device falls over on a flat floor: nothing carries it on one side of the load.`
        : `The ${side} device ${stands.words}.`,
      triggers: [`feet.${side}.device`],
      source: 'a device is judged where it stands: workshop practice, a flat bench',
      figures: falls ? [] : [FIGURES[code](stands)],
    },
  ]
}
