import { bestMean } from '../measure/reading'
import type { FittingRecord } from '../record/schema'
import { normsOf } from '../record/tables'
import { SIDES } from '../tables/vocabulary'
import { oneDecimal } from './reasons'

/**
 * What the shape of a foot asks of footwear beyond its numbers; on measures only, never on who it
 * is.
 */
export interface ShapeNote {
  code: 'second-toe' | 'narrow-heel' | 'low-calf' | 'full-calf' | 'low-instep' | 'high-instep'
  words: string
  trigger: string
}

/**
 * Rules on measures: long second toe, narrow heel against the ball, low or full calf, low or high
 * instep.
 */
export function shapeNotes(record: FittingRecord): ShapeNote[] {
  const limits = normsOf(record).shapeLimits
  const out: ShapeNote[] = []
  for (const side of SIDES) {
    const foot = record.feet[side]
    if (!foot) continue
    const best = (what: Parameters<typeof bestMean>[1]) => bestMean(foot, what, 'standing')
    const note = (code: ShapeNote['code'], reading: string, words: string) =>
      out.push({ code, words: `${side}: ${words}`, trigger: `feet.${side}.${reading}` })
    const [length, ball, heel, lead, dorsum, calf] = [
      best('footLengthMm'),
      best('forefootWidthMm'),
      best('heelWidthMm'),
      best('secondToeLeadMm'),
      best('dorsumHeightMm'),
      best('calfGirthMm'),
    ]
    if (lead !== undefined && lead >= limits.secondToeMm)
      note(
        'second-toe',
        'readings.secondToeLeadMm',
        `the second toe leads by ${oneDecimal(lead)} mm: length counts to it; a toe box that is round, not pointed to the big toe`,
      )
    if (heel !== undefined && ball !== undefined && heel / ball < limits.heelToBall)
      note(
        'narrow-heel',
        'readings.heelWidthMm',
        `a narrow heel under a wide ball (${(heel / ball).toFixed(2)}): a model with a narrow pocket before one that is stretched at the ball`,
      )
    const low = foot.findings?.calf?.lowMm
    if (low !== undefined && low < limits.lowCalfMm)
      note(
        'low-calf',
        'findings.calf.lowMm',
        `the calf is full already ${low} mm over the floor: a low or wide cuff, its spoiler out, the upper buckle moved`,
      )
    else if (calf !== undefined && length !== undefined && calf / length > limits.calfShare)
      note(
        'full-calf',
        'readings.calfGirthMm',
        `a full calf (${oneDecimal(calf)} mm): look at the cuff first`,
      )
    if (dorsum !== undefined && length !== undefined && dorsum / length < limits.dorsumShare[0])
      note(
        'low-instep',
        'readings.dorsumHeightMm',
        'a low instep: volume is taken up by shims before straps are pulled',
      )
    if (dorsum !== undefined && length !== undefined && dorsum / length > limits.dorsumShare[1])
      note('high-instep', 'readings.dorsumHeightMm', 'a high instep: look there before the length')
  }
  return out
}
