import type { Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { clearanceLines, footHas, type ClearanceLines } from './clearance'
import type { StandingFoot } from '../kinds/stations/definition'
import { stationWeight } from './stationWeight'
import { learnedMm, longestMm, misfitCost, offsetsFor, type MatchSettings } from './fitFoot'
import { gradeSteps } from './gradeShell'
import { beyondWork, mendKind } from './mend'
import { sockMm } from './socks'
import { STATIONS } from '../kinds/stations/all'
import { isUnderFoot } from '../tables/shellWork'
import type { Band } from '../tables/footwearTargets'

/**
 * Scores of one foot in every size of a model, in the order of its sizes. Made for whole
 * catalogues: no words, arrays that are written over.
 */
export interface SizeScores {
  score: Float64Array
  /** how far the stations lie from the middle of their bands, weighted; decides between equals */
  offAim: Float64Array
  /** can work make it fit? */
  usable: Uint8Array
}

/** The most sizes of a model (catalogueSchema). */
const MOST_SIZES = 60
export const emptyScores = (): SizeScores => ({
  score: new Float64Array(MOST_SIZES),
  offAim: new Float64Array(MOST_SIZES),
  usable: new Uint8Array(MOST_SIZES),
})

const LENGTH = STATIONS.indexOf('length')

const lines: ClearanceLines = {
  baseMm: new Float64Array(STATIONS.length),
  stepMm: new Float64Array(STATIONS.length),
}

/**
 * What does not change from model to model of a family: a foot's bands and weights, and which
 * stations it has a measure of.
 */
export interface FamilyGround {
  lowMm: Float64Array
  highMm: Float64Array
  weight: Float64Array
  known: Uint8Array
  longestMm: number
}

export function familyGround(
  foot: StandingFoot,
  model: Pick<FootwearModel, 'family' | 'liner'>,
  bands: readonly Band[],
  settings: MatchSettings,
): FamilyGround {
  return {
    lowMm: Float64Array.from(bands, (b) => b[0]),
    highMm: Float64Array.from(bands, (b) => b[1]),
    weight: Float64Array.from(STATIONS, (s) =>
      stationWeight(model.family, s, settings.rows.rankingWeights),
    ),
    known: Uint8Array.from(STATIONS, (s) => (footHas(foot, s) ? 1 : 0)),
    longestMm: longestMm(model, settings),
  }
}

/**
 * Scores every size of a model for one foot: Σ weighted misfit + work, as `fitFoot` tells it
 * station by station in words.
 */
export function rankSizes(
  foot: StandingFoot,
  side: Side,
  model: FootwearModel,
  settings: MatchSettings,
  ground: FamilyGround,
  into: SizeScores,
): SizeScores {
  const { baseMm, stepMm } = clearanceLines(
    foot,
    model,
    sockMm(settings.socks, model.family),
    1 - model.liner.packOut,
    lines,
  )
  const { lowMm, highMm, weight, known, longestMm: longest } = ground
  const moved = settings.offsets?.some((o) => o.model === model.id) ?? false
  const biasMm = learnedMm(settings, model)
  const isReferred = settings.referred?.[model.family] !== undefined
  const { sizesMm } = model
  const { rows } = settings
  const weights = rows.rankingWeights
  for (let k = 0; k < sizesMm.length; k++) {
    const sizeMm = sizesMm[k]!
    const n = gradeSteps(model, sizeMm)
    const offsets = moved ? offsetsFor(settings, model, foot, side, sizeMm) : null
    let score = 0
    let minutes = 0
    let isGround = false
    let isShimmed = false
    let offAim = 0
    let usable = !isReferred && !Number.isNaN(baseMm[0])
    for (let i = 0; i < STATIONS.length; i++) {
      const base = baseMm[i]!
      if (Number.isNaN(base)) {
        if (known[i] === 1) score += weight[i]! * weights.unknownMm
        continue
      }
      const learned = i === LENGTH && offsets === null ? biasMm : 0
      const shown = offsets === null ? learned : (offsets[STATIONS[i]!] ?? 0)
      const value = base + n * stepMm[i]! + shown
      const low = lowMm[i]!
      const high = highMm[i]!
      offAim += weight[i]! * Math.abs(value - (low + high) / 2)
      if (value >= low && value <= high && value <= longest) continue
      const short = low > value ? low - value : 0
      const over = value > high ? value - high : 0
      score += misfitCost(weight[i]!, short, over, weights)
      const kind = mendKind(STATIONS[i]!, model, short, over, rows)
      if (kind !== null && !isUnderFoot(kind)) minutes += rows.workMinutes[kind]
      // One piece under the foot serves every station that asks for it.
      isGround ||= kind === 'grind boot board'
      isShimmed ||= kind === 'shim'
      if (
        usable &&
        beyondWork(STATIONS[i]!, model, value, short, over, i === 0 ? longest : Infinity, rows)
      )
        usable = false
    }
    if (isGround) minutes += rows.workMinutes['grind boot board']
    else if (isShimmed) minutes += rows.workMinutes.shim
    into.score[k] = score + minutes * weights.perMinute
    into.offAim[k] = offAim
    into.usable[k] = usable ? 1 : 0
  }
  return into
}
