import type { Family, Intent, Side } from '../record/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import type { TargetShift } from './character'
import { shifted } from './character'
import { clearances, footHas, type StandingFoot } from './clearance'
import { stationWeight } from './families'
import { beyondWords, beyondWork, mendAmountMm, mendKind, workItem, type WorkItem } from './mend'
import type { LearnedBias } from './shellCheck'
import { sockMm, type Socks } from './socks'
import { STATIONS, type Station } from './stationWords'
import { sumOffsets, type Offset } from './worked'
import {
  GROWTH_MOST_MM,
  targetBand,
  verdictOf,
  type Band,
  type TargetOverrides,
  type Verdict,
} from './targets'

/** Settings of a match: one intent for the pair, socks, and whether growth room applies. */
export interface MatchSettings {
  intent: Intent
  socks: Socks
  child: boolean
  /** what shell checks taught of models, by id */
  learned?: Readonly<Record<string, LearnedBias>>
  /** the shop's own bands */
  targets?: TargetOverrides
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
  /** length behind the heel of the foot with nothing under it, mm, where that alone would be too short */
  shortBareMm: number | null
}

/** How much work weighs in the ranking against a millimetre of misfit. */
export const SCORE_PER_MINUTE = 0.03
/** Too tight weighs more than too loose. */
const SHORT_WEIGHT = 1.3
/** What one station costs in the score: its weight × misfit, too little weighing more than too much. */
export const misfitCost = (weight: number, short: number, over: number): number =>
  weight * (short * SHORT_WEIGHT + over)

/** A station that the shell does not state, but the foot has, counts like this much misfit, mm: unknown is not good. */
export const UNKNOWN_MM = 0.3

/** Bands of one foot for a family, station by station. */
export const bandsOf = (family: Family, side: Side, settings: MatchSettings): Band[] =>
  STATIONS.map((s) =>
    shifted(
      targetBand(s, family, settings.intent, settings.child, settings.targets),
      settings.shifts?.[side] ?? [],
      s,
    ),
  )

/** The longest a shell may be behind the heel: children's footwear is never filled up. */
export const longestMm = (band: Band, child: boolean): number =>
  child ? band[0] + GROWTH_MOST_MM : Infinity

/** What offsets a size of a model has for one foot, summed by station. */
export function offsetsFor(
  settings: MatchSettings,
  model: string,
  side: Side,
  sizeMm: number,
): Partial<Record<Station, number>> {
  const out = sumOffsets(settings.offsets ?? [], model, side, sizeMm)
  const bias = settings.learned?.[model]
  if (bias?.used) out.length = (out.length ?? 0) + bias.usedMm
  return out
}

/** One foot in one size: clearances, verdicts, misfit and the work that mends it. */
export function fitFoot(
  foot: StandingFoot,
  side: Side,
  model: FootwearModel,
  sizeMm: number,
  settings: MatchSettings,
  bands: readonly Band[] = bandsOf(model.family, side, settings),
): FootFit {
  const c = clearances(
    foot,
    model,
    sizeMm,
    sockMm(settings.socks, model.family),
    offsetsFor(settings, model.id, side, sizeMm),
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
    because: c.worn.length === null ? 'its inside length is not known: measure it first' : null,
    shortBareMm: null,
  }
  const longest = longestMm(bands[0]!, settings.child)
  STATIONS.forEach((station, i) => {
    const band = bands[i]!
    const value = c.worn[station]
    out.targets[station] = band
    if (value === null) {
      if (footHas(foot, station))
        out.costs[station] = stationWeight(model.family, station) * UNKNOWN_MM
      return
    }
    out.verdicts[station] = verdictOf(value, band)
    const short = Math.max(0, band[0] - value)
    const over = Math.max(0, value - band[1])
    out.costs[station] = misfitCost(stationWeight(model.family, station), short, over)
    const kind = mendKind(station, model, short, over)
    if (kind) out.work.push(workItem(side, station, kind, mendAmountMm(kind, model, short, over)))
    if (beyondWork(station, model, value, short, over, longest))
      out.because ??= beyondWords(station, model, value, short, over, longest)
  })
  out.score = STATIONS.reduce(
    (sum, s) => sum + (out.costs[s] ?? 0),
    out.work.reduce((sum, w) => sum + w.minutes, 0) * SCORE_PER_MINUTE,
  )
  if (foot.bareLengthMm !== undefined && c.worn.length !== null) {
    const bare = c.worn.length - (foot.bareLengthMm - foot.lengthMm)
    if (bare < bands[0]![0] && c.worn.length >= bands[0]![0]) out.shortBareMm = bare
  }
  return out
}
