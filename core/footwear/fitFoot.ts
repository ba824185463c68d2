import { FAMILY_KINDS, type Family } from '../kinds/families/all'
import type { Intent, Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { shifted, type TargetShift } from './character'
import { clearances, footHas, sizedByMm } from './clearance'
import type { StandingFoot } from '../kinds/stations/definition'
import { shellInside } from './gradeShell'
import { stationOn } from './stationOn'
import { stationWeight } from './stationWeight'
import {
  beyondWords,
  beyondWork,
  mendAmountMm,
  mendKind,
  underOnce,
  workItem,
  type MendRows,
  type WorkItem,
} from './mend'
import type { LearnedBias } from './learnedBias'
import { sockMm, type Socks } from './socks'
import { STATIONS, type Station } from '../kinds/stations/all'
import { isAbout, sumOffsets, type Offset } from './shownOffsets'
import type { Norms } from '../record/tables'
import type { Band } from '../tables/footwearTargets'
import { growthBand } from './toeRoom'
import { targetBand, verdictOf, type TargetRows, type Verdict } from './targets'

/** The rows that footwear is judged by. */
export type MatchRows = TargetRows & MendRows & Pick<Norms, 'verdictMm' | 'rankingWeights'>

/** Settings of a match: one intent for the pair, socks, and whether growth room applies. */
export interface MatchSettings {
  intent: Intent
  socks: Socks
  child: boolean
  /** what shell checks taught of models, by id */
  learned?: Readonly<Record<string, LearnedBias>>
  rows: MatchRows
  /** families that are not proposed for this client, and why */
  referred?: Readonly<Partial<Record<Family, string>>>
  /** feet whose toes are cold or poorly supplied */
  coldToes?: Readonly<Partial<Record<Side, boolean>>>
  /** how each foot moves its bands */
  shifts?: Readonly<Partial<Record<Side, readonly TargetShift[]>>>
  /** what was felt in a try-on and what was worked, for this client */
  offsets?: readonly Offset[]
}

/** One foot in one size of a model. */
export interface FootFit {
  sizeMm: number
  clearances: Record<Station, number | null>
  asNew: Record<Station, number | null>
  verdicts: Partial<Record<Station, Verdict>>
  /** the bands it was judged by, mm */
  targets: Partial<Record<Station, Band>>
  score: number
  /** what each station adds to the score */
  costs: Partial<Record<Station, number>>
  work: WorkItem[]
  missing: string[]
  /** why no work makes this size fit; null when it can */
  because: string | null
  /**
   * length behind the heel of the foot with nothing under it, mm, where that alone would be too
   * short
   */
  shortBareMm: number | null
  /** the length it was sized by, mm, where that is its arch's and not its own */
  byArchMm: number | null
}

/**
 * What one station costs in the score: its weight × misfit, too little weighing more than too much.
 */
export const misfitCost = (
  weight: number,
  shortMm: number,
  overMm: number,
  weights: Norms['rankingWeights'],
): number => weight * (shortMm * weights.short + overMm)

/** Bands of one foot for a model's family, station by station; a bump moves where it is judged. */
export function bandsOf(
  model: Pick<FootwearModel, 'family' | 'at' | 'liner'>,
  foot: StandingFoot,
  side: Side,
  settings: MatchSettings,
): Band[] {
  const shifts = (settings.shifts?.[side] ?? []).map((shift) => ({
    ...shift,
    station: stationOn(model, foot, shift.station),
  }))
  const { coldToesMm } = FAMILY_KINDS.of(model.family)
  return STATIONS.map((s) => {
    if (s === 'length' && settings.child)
      return shifted(growthBand(model, settings.rows).band, shifts, s)
    const band = targetBand(s, model.family, settings.intent, settings.rows)
    const isCold = s === 'length' && coldToesMm !== null && settings.coldToes?.[side]
    return shifted(isCold ? withRoom(band, coldToesMm) : band, shifts, s)
  })
}

/** A band that begins at a least room and is as wide as it was. */
const withRoom = ([low, high]: Band, leastMm: number): Band => {
  const by = Math.max(0, leastMm - low)
  return [low + by, high + by]
}

/** The longest a shell may be behind the heel: children's footwear is never filled up. */
export const longestMm = (
  model: Pick<FootwearModel, 'family' | 'liner'>,
  { child, rows }: MatchSettings,
): number => (child ? growthBand(model, rows).mostMm : Infinity)

/** What offsets a size of a model has for one foot, summed by the station that they are judged at. */
export function offsetsFor(
  settings: MatchSettings,
  model: FootwearModel,
  foot: StandingFoot,
  side: Side,
  sizeMm: number,
): Partial<Record<Station, number>> {
  const placed = (settings.offsets ?? [])
    .filter((o) => isAbout(o, model.id, side, sizeMm))
    .map((o) => ({ ...o, station: stationOn(model, foot, o.station) }))
  const out = sumOffsets(placed.filter((o) => o.by !== 'check'))
  const check = placed.find((o) => o.by === 'check')
  if (!check) {
    const biasMm = learnedMm(settings, model)
    if (biasMm !== 0) out.length = (out.length ?? 0) + biasMm
    return out
  }
  // Seen on this very foot: nothing that was learned of others' is added. What was felt at the toes is about the same
  // length, so of the two the one with less room counts, and only once.
  const feltMm = sumOffsets(placed.filter((o) => o.by === 'felt')).length
  const seenMm = check.mm - correctedMm(check, model)
  out.length = (out.length ?? 0) - (feltMm ?? 0) + Math.min(seenMm, feltMm ?? Infinity)
  return out
}

/** How much longer the catalogue has the shell today than when it was checked, mm. */
function correctedMm({ knownAs }: Offset, model: FootwearModel): number {
  const nowMm = knownAs && shellInside(model, knownAs.sizeMm).lengthMm
  return knownAs === undefined || nowMm === undefined ? 0 : nowMm - knownAs.insideMm
}

/** What the shop's shell checks add to a model's inside length, mm; 0 where they teach nothing. */
export function learnedMm(
  { learned }: Pick<MatchSettings, 'learned'>,
  { id }: Pick<FootwearModel, 'id'>,
): number {
  const bias = learned?.[id]
  return bias?.used ? bias.usedMm : 0
}

/** One foot in one size: clearances, verdicts, misfit and the work that mends it. */
export function fitFoot(
  foot: StandingFoot,
  side: Side,
  model: FootwearModel,
  sizeMm: number,
  settings: MatchSettings,
  bands: readonly Band[] = bandsOf(model, foot, side, settings),
): FootFit {
  const c = clearances(
    foot,
    model,
    sizeMm,
    sockMm(settings.socks, model.family),
    offsetsFor(settings, model, foot, side, sizeMm),
  )
  const out: FootFit = {
    sizeMm,
    clearances: c.worn,
    asNew: c.asNew,
    verdicts: {},
    targets: {},
    score: 0,
    costs: {},
    work: [],
    missing: c.missing,
    because:
      settings.referred?.[model.family] ??
      (c.worn.length === null ? 'its inside length is not known: measure it first' : null),
    shortBareMm: null,
    byArchMm: sizedByMm(foot, model) > foot.lengthMm ? sizedByMm(foot, model) : null,
  }
  const { rows } = settings
  const weights = rows.rankingWeights
  const longest = longestMm(model, settings)
  STATIONS.forEach((station, i) => {
    const band = bands[i]!
    const value = c.worn[station]
    out.targets[station] = band
    if (value === null) {
      if (footHas(foot, station))
        out.costs[station] = stationWeight(model.family, station, weights) * weights.unknownMm
      return
    }
    out.verdicts[station] = verdictOf(value, band, rows.verdictMm)
    const short = Math.max(0, band[0] - value)
    const over = Math.max(0, value - band[1])
    out.costs[station] = misfitCost(
      stationWeight(model.family, station, weights),
      short,
      over,
      weights,
    )
    const kind = mendKind(station, model, short, over, rows)
    if (kind)
      out.work.push(
        workItem(side, station, kind, mendAmountMm(kind, model, short, over, rows), rows),
      )
    if (beyondWork(station, model, value, short, over, longest, rows))
      out.because ??= beyondWords(station, model, value, short, over, longest, rows)
  })
  out.work = underOnce(out.work)
  out.score = STATIONS.reduce(
    (sum, s) => sum + (out.costs[s] ?? 0),
    out.work.reduce((sum, w) => sum + w.minutes, 0) * weights.perMinute,
  )
  if (foot.bareLengthMm !== undefined && c.worn.length !== null) {
    const bare = c.worn.length - (foot.bareLengthMm - foot.lengthMm)
    if (bare < bands[0]![0] && c.worn.length >= bands[0]![0]) out.shortBareMm = bare
  }
  return out
}
