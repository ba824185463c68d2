import { bestMean } from '../measure/reading'
import type { FittingRecord } from '../record/schema'
import { SIDES } from '../record/vocabulary'
import type { Entry } from './entry'

/** Forefoot widths that differ by more than this want a word about a split pair, mm (half a shell size and more at the ball). */
const BALL_GAP_MM = 8

/** Ledger lines about footwear: what the chosen pair asks for. */
export function footwearRules(record: FittingRecord): Entry[] {
  const out: Entry[] = []
  const [l, r] = SIDES.map((side) => record.feet[side] && bestMean(record.feet[side]!, 'forefootWidthMm', 'standing'))
  if (l !== undefined && r !== undefined && Math.abs(l - r) > BALL_GAP_MM)
    out.push({ code: 'ball-gap', kind: 'watch', school: 'all', foot: 'both', triggers: ['feet.left.readings.forefootWidthMm'], words: `The forefeet differ by ${Math.abs(l - r).toFixed(1)} mm. Compare one size with work, a split pair, and a custom shell.`, source: 'workshop default', change: null })
  const chosen = record.footwear?.chosen
  if (chosen?.sizeLeftMm !== undefined && chosen.sizeRightMm !== undefined && chosen.sizeLeftMm !== chosen.sizeRightMm)
    out.push({ code: 'split-pair', kind: 'watch', school: 'all', foot: 'both', triggers: ['footwear.chosen'], words: `Split pair: left ${(chosen.sizeLeftMm / 10).toFixed(1)}, right ${(chosen.sizeRightMm / 10).toFixed(1)}. Ask the maker before promising it.`, source: 'workshop default', change: null })
  if (chosen && record.story?.activity === 'ski-touring')
    out.push({ code: 'binding-check', kind: 'watch', school: 'all', foot: 'both', triggers: ['footwear.chosen'], words: 'A changed shell or sole length needs a re-check of the release setting by a certified technician.', source: 'house cautions', change: null })
  return out
}
