import { buildShell } from '../device/bodySolid'
import { footField } from '../device/footField'
import type { SoleRows } from '../device/soleParameters'
import { stackHeights } from '../device/space'
import { buildSurface } from '../device/surface'
import { isChild } from '../measure/ageAtVisit'
import { normsOf } from '../record/tables'
import { bestMean } from '../measure/reading'
import { Refusal } from '../record/refusal'
import type { FittingRecord, Foot } from '../record/schema'
import { SIDES, type Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { shiftsOf } from './character'
import { standingFoot } from './clearance'
import type { StandingFoot } from '../kinds/stations/definition'
import type { MakingRows } from '../device/shellMaking'
import { checkedOffsets } from './checkedOffsets'
import { feltOffsets } from './felt'
import { matchCatalogue, type Feet, type MatchResult, type MatchSettings } from './match'
import { pairSizeWords, pairVerdict, workMinutesOf, type PairVerdict } from './pairFit'
import { pairOptions, type PairQuestion } from './pairOptions'
import { withBrought } from './brought'
import { coldToesOf, referredFamilies } from './referred'
import { shapeNotes, type ShapeNote } from './shapeNotes'
import { sockNotes, socksOf } from './socks'
import { contactSpots, type ContactSpot } from './spots'
import { workedOffsets } from './shownOffsets'

/**
 * What a foot's device takes under heel, ball, instep and toes, mm; null when there is no device. A
 * 2 mm grid is enough for heights.
 */
function stackOf(foot: Foot, rows: SoleRows & MakingRows): StandingFoot['stackMm'] {
  const { device } = foot
  if (!device || device.kind === 'none') return null
  const found = footField(foot, rows, 2)
  if (!found) return null
  const stack = stackHeights(buildShell(buildSurface(found.field, device), device, rows), device)
  return { ball: stack.ballMm, instep: stack.archMm, toes: stack.toesMm, heel: stack.heelMm }
}

/**
 * How a record is matched: intent, socks, the shop's bands, what moves them for each foot, and what
 * was felt and worked.
 */
export function matchSettings(record: FittingRecord): MatchSettings {
  const child = isChild(record.client, record.visit?.on)
  const norms = normsOf(record)
  const lengths = Object.fromEntries(
    SIDES.flatMap((side) =>
      record.feet[side] ? [[side, bestMean(record.feet[side], 'footLengthMm', 'standing')]] : [],
    ),
  ) as Partial<Record<Side, number>>
  return {
    intent: record.story?.intent ?? 'all-round',
    socks: socksOf(record),
    child,
    rows: norms,
    referred: referredFamilies(record),
    coldToes: coldToesOf(record),
    shifts: {
      left: shiftsOf(record, 'left', child, norms),
      right: shiftsOf(record, 'right', child, norms),
    },
    offsets: [
      ...checkedOffsets(record),
      ...feltOffsets(record.footwear, lengths, norms),
      ...workedOffsets(record.footwear?.chosen?.work ?? []),
    ],
  }
}

/** Both feet of a record as they stand on their devices; throws when no foot has a length. */
export function standingFeet(record: FittingRecord): Feet {
  const feet: Feet = {}
  const norms = normsOf(record)
  for (const side of SIDES) {
    const foot = record.feet[side]
    const standing = foot && standingFoot(foot, stackOf(foot, norms), norms)
    if (standing) feet[side] = standing
  }
  if (Object.keys(feet).length === 0)
    throw new Refusal(
      'no-length',
      'feet.left.readings: footLengthMm is needed to match footwear.',
      'feet.left.readings',
    )
  return feet
}

/**
 * Ranks a catalogue, and what the client brought, for the feet of a record as they stand on their
 * devices; throws when no foot has a length.
 *
 * @param learned what the shop's shell checks taught of models
 */
export function matchRecord(
  record: FittingRecord,
  models: readonly FootwearModel[],
  learned: MatchSettings['learned'] = {},
): MatchResult {
  return matchCatalogue(standingFeet(record), withBrought(record, models), {
    ...matchSettings(record),
    learned,
  })
}

/**
 * A match with what else a fitter asks at the rack: spots of contact, split pair, notes on shape
 * and socks.
 */
export interface MatchReport extends MatchResult {
  pair: (MatchResult['pair'][number] & {
    spots: Partial<Record<Side, ContactSpot[]>>
    verdict: PairVerdict
    workMinutes: number
    sizes: string
  })[]
  /** the question of a split pair for the model that ranks first */
  split: PairQuestion | null
  shape: ShapeNote[]
  notes: string[]
}

/** Everything `arch match` prints. */
export function matchReport(
  record: FittingRecord,
  models: readonly FootwearModel[],
  learned: MatchSettings['learned'] = {},
): MatchReport {
  const feet = standingFeet(record)
  const settings = { ...matchSettings(record), learned }
  const all = withBrought(record, models)
  const result = matchCatalogue(feet, all, settings)
  const byId = new Map(all.map((m) => [m.id, m]))
  const first = byId.get(result.pair[0]?.model ?? result.rejected[0]?.model ?? '')
  return {
    ...result,
    pair: result.pair.map((p) => ({
      ...p,
      verdict: pairVerdict(p),
      workMinutes: workMinutesOf(p),
      sizes: pairSizeWords(p),
      spots: Object.fromEntries(
        SIDES.flatMap((side) =>
          p[side] && feet[side]
            ? [[side, contactSpots(feet[side], byId.get(p.model)!, p[side])]]
            : [],
        ),
      ),
    })),
    split: first ? pairOptions(feet, first, settings) : null,
    shape: shapeNotes(record),
    notes: sockNotes(settings.socks, settings.child, normsOf(record)),
  }
}
