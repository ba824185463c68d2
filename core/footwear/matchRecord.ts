import { buildShell } from '../device/shell'
import { footField } from '../device/footField'
import { stackHeights } from '../device/space'
import { buildSurface } from '../device/surface'
import { isChild } from '../measure/ageAtVisit'
import { Refusal } from '../record/refusal'
import type { FittingRecord, Foot } from '../record/schema'
import { SIDES, type Side } from '../record/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { normsOf } from '../measure/normsTable'
import { standingFoot, type StandingFoot } from './clearance'
import { matchCatalogue, type MatchResult, type MatchSettings } from './match'

/** What a foot's device takes under ball, instep and toes, mm; null when there is no device. A 2 mm grid is enough for heights. */
export function stackOf(foot: Foot): StandingFoot['stackMm'] {
  const { device } = foot
  if (!device || device.kind === 'none') return null
  const found = footField(foot, 2)
  if (!found) return null
  const stack = stackHeights(buildShell(buildSurface(found.field, device), device), device)
  return { ball: stack.ballMm, instep: stack.archMm, toes: stack.toesMm }
}

export const matchSettings = (record: FittingRecord): MatchSettings => ({
  intent: record.story?.intent ?? 'all-round',
  sockMm: record.footwear?.sockMm ?? 1,
  child: isChild(record.client, record.visit?.on),
})

/**
 * Ranks a catalogue for the feet of a record as they stand on their devices; throws when no foot has a length.
 *
 * @param learned what the shop's shell checks taught of models
 */
export function matchRecord(record: FittingRecord, models: readonly FootwearModel[], learned: MatchSettings['learned'] = {}): MatchResult {
  const feet: Partial<Record<Side, StandingFoot>> = {}
  for (const side of SIDES) {
    const foot = record.feet[side]
    const standing = foot && standingFoot(foot, stackOf(foot), normsOf(record))
    if (standing) feet[side] = standing
  }
  if (Object.keys(feet).length === 0) throw new Refusal('no-length', 'feet.left.readings: footLengthMm is needed to match footwear.', 'feet.left.readings')
  return matchCatalogue(feet, models, { ...matchSettings(record), learned })
}
