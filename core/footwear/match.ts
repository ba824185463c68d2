import type { Intent, Side } from '../record/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import { clearances, STATIONS, type Clearances, type StandingFoot, type Station } from './clearance'
import { biasWords, type LearnedBias } from './shellCheck'
import { STATION_WEIGHT, targetBand, verdictOf, type Verdict } from './targets'
import { stationWords } from './stationWords'

/** Settings of a match: one intent for the pair, socks, and whether growth room applies. */
export interface MatchSettings {
  intent: Intent
  sockMm: number
  child: boolean
  /** what shell checks taught of models, by id */
  learned?: Readonly<Record<string, LearnedBias>>
}

/** Work that would bring a station into its band. */
export interface WorkItem {
  foot: Side
  station: Station
  does: 'stretch' | 'pad' | 'grind boot board'
  amountMm: number
  minutes: number
  words: string
}

/** One foot in one size of a model. */
export interface FootFit {
  sizeMm: number
  clearances: Record<Station, number | null>
  asNew: Record<Station, number | null>
  verdicts: Partial<Record<Station, Verdict>>
  score: number
  work: WorkItem[]
  missing: string[]
  /** why no work makes this size fit; null when it can */
  because: string | null
}

export interface PairFit {
  model: string
  left?: FootFit
  right?: FootFit
  score: number
  work: WorkItem[]
  reasons: string[]
}

export interface MatchResult {
  pair: PairFit[]
  rejected: { model: string; because: string }[]
}

/** Minutes of one piece of shell work on one side (house defaults: mark, heat, press, cool and recheck; a pad is quick). */
const WORK_MINUTES = { stretch: 35, pad: 8, 'grind boot board': 15 } as const
/** How much work weighs in the ranking against a millimetre of misfit. */
const SCORE_PER_MINUTE = 0.03
/** A liner gives this much at a height, a strap or lace at the instep takes up this much looseness before a pad is needed, mm. */
const CLOSURE_TAKES_MM = 3
/** Length short of the band by more than this cannot be mended, mm. */
const LENGTH_SHORT_MM = 2

const WIDTHS = new Set<Station>(['toeBox', 'ball', 'heel', 'ankle'])
const GIRTHS = new Set<Station>(['waist', 'instep', 'heelInstep', 'cuff'])
const HEIGHTS = new Set<Station>(['toeBoxHeight', 'ballHeight', 'instepHeight'])

/** One foot in one size: clearances, verdicts, misfit and the work that mends it. */
export function fitFoot(foot: StandingFoot, side: Side, model: FootwearModel, sizeMm: number, settings: MatchSettings): FootFit {
  const c: Clearances = corrected(clearances(foot, model, sizeMm, settings.sockMm), settings.learned?.[model.id])
  const verdicts: FootFit['verdicts'] = {}
  const work: WorkItem[] = []
  let score = 0
  let because: string | null = null
  for (const station of STATIONS) {
    const value = c.worn[station]
    if (value === null) continue
    const band = targetBand(station, model.family, settings.intent, settings.child)
    verdicts[station] = verdictOf(value, band)
    const short = Math.max(0, band[0] - value)
    const over = Math.max(0, value - band[1])
    score += STATION_WEIGHT[station] * (short * 1.3 + over)
    const item = mend(station, side, model, short, over)
    if (item) work.push(item)
    because ??= cannotMend(station, model, value, short, over)
  }
  score += work.reduce((sum, w) => sum + w.minutes, 0) * SCORE_PER_MINUTE
  return { sizeMm, clearances: c.worn, asNew: c.asNew, verdicts, score, work, missing: c.missing, because }
}

/** Clearances with the length as shell checks of this model have shown it to be. */
function corrected(c: Clearances, bias: LearnedBias | undefined): Clearances {
  if (!bias?.used || c.worn.length === null) return c
  const length = c.worn.length + bias.usedMm
  return { ...c, worn: { ...c.worn, length }, asNew: { ...c.asNew, length } }
}

const round = (v: number) => Math.round(v * 10) / 10

function mend(station: Station, side: Side, model: FootwearModel, short: number, over: number): WorkItem | null {
  const item = (does: WorkItem['does'], amount: number, words: string): WorkItem => ({ foot: side, station, does, amountMm: round(amount), minutes: WORK_MINUTES[does], words })
  const where = stationWords(station).where
  if (short > 0.25 && (WIDTHS.has(station) || GIRTHS.has(station))) return item('stretch', short, `stretch ${where} by ${round(short)} mm`)
  if (short > 0.25 && HEIGHTS.has(station) && model.bootBoard.grindableMm > 0)
    return item('grind boot board', Math.min(short, model.bootBoard.grindableMm), `take ${round(Math.min(short, model.bootBoard.grindableMm))} mm off the boot board`)
  if (over > 1 && (station === 'heel' || station === 'ankle' || station === 'waist' || station === 'heelInstep')) return item('pad', over, `pad ${where} by ${round(over)} mm`)
  return null
}

function cannotMend(station: Station, model: FootwearModel, value: number, short: number, over: number): string | null {
  const words = stationWords(station)
  if (station === 'length') {
    if (short > LENGTH_SHORT_MM) return `too short: ${round(value)} mm behind the heel where ${round(value + short)} is the least`
    return over > 8 ? `too long: ${round(value)} mm behind the heel` : null
  }
  if (short > model.plastic.stretchMm && (WIDTHS.has(station) || GIRTHS.has(station)))
    return `${words.name} needs ${round(short)} mm more a side than it has; it stretches by ${model.plastic.stretchMm} mm`
  if (HEIGHTS.has(station) && short > model.bootBoard.grindableMm + CLOSURE_TAKES_MM) return `${words.name} is ${round(short)} mm too low over this foot and its device`
  if (station === 'waist' && over > 4 + CLOSURE_TAKES_MM) return `${words.name} is ${round(over)} mm too loose to close up`
  return null
}

/** A split pair must be better than one size by this much score before it is proposed: it has to be ordered, paid and explained. */
const SPLIT_PAYS = 0.75

/** The best size of a model for one foot: least score among the sizes that can be made to fit (ties: nearest to the foot), else the least bad. */
function bestSize(fits: readonly FootFit[], foot: StandingFoot): FootFit {
  const usable = fits.filter((f) => f.because === null)
  const distance = (fit: FootFit) => Math.abs(fit.sizeMm - foot.lengthMm)
  return (usable.length > 0 ? usable : fits).reduce((best, fit) =>
    fit.score < best.score - 1e-9 || (fit.score < best.score + 1e-9 && distance(fit) < distance(best)) ? fit : best,
  )
}

/** The best size per foot; two feet get one size unless a split pair pays. */
function bestPair(feet: Partial<Record<Side, StandingFoot>>, model: FootwearModel, settings: MatchSettings): (readonly [Side, FootFit])[] {
  const all = (['left', 'right'] as const).flatMap((side) => {
    const foot = feet[side]
    return foot ? [{ side, foot, fits: model.sizesMm.map((size) => fitFoot(foot, side, model, size, settings)) }] : []
  })
  const best = all.map(({ side, foot, fits }) => [side, bestSize(fits, foot)] as const)
  if (best.length < 2 || best[0]![1].sizeMm === best[1]![1].sizeMm) return best
  const sum = best[0]![1].score + best[1]![1].score
  const same = model.sizesMm
    .map((_, k) => all.map(({ side, fits }) => [side, fits[k]!] as const))
    .filter((pair) => pair.every(([, fit]) => fit.because === null))
    .sort((a, b) => a[0]![1].score + a[1]![1].score - b[0]![1].score - b[1]![1].score)[0]
  return same && same[0]![1].score + same[1]![1].score < sum + SPLIT_PAYS ? same : best
}

/**
 * Ranks a catalogue for a pair of feet: the best size of each model per foot, work it needs, reasons for and against in words; models that
 * no work makes fit are listed with why. Stock never changes the ranking.
 *
 * @param feet one foot or both, as they stand on their devices
 */
export function matchCatalogue(feet: Partial<Record<Side, StandingFoot>>, models: readonly FootwearModel[], settings: MatchSettings): MatchResult {
  const pair: PairFit[] = []
  const rejected: MatchResult['rejected'] = []
  for (const model of models) {
    const fits = bestPair(feet, model, settings)
    const bad = fits.find(([, fit]) => fit.because !== null)
    if (bad) {
      rejected.push({ model: model.id, because: `${bad[0]} ${sizeWords(bad[1].sizeMm)}: ${bad[1].because}` })
      continue
    }
    const score = fits.reduce((sum, [, fit]) => sum + fit.score, 0) / Math.max(1, fits.length)
    pair.push({ model: model.id, ...Object.fromEntries(fits), score, work: fits.flatMap(([, fit]) => fit.work), reasons: [...reasonsOf(fits), ...(settings.learned?.[model.id] ? [`length: ${biasWords(settings.learned[model.id]!)}`] : [])] })
  }
  pair.sort((a, b) => a.score - b.score || (a.model < b.model ? -1 : 1))
  return { pair, rejected }
}

/** A mondo size as the boot trade writes it. @example sizeWords(265) // '26.5' */
export const sizeWords = (sizeMm: number): string => (sizeMm / 10).toFixed(1)

function reasonsOf(fits: readonly (readonly [Side, FootFit])[]): string[] {
  const out: string[] = []
  const sizes = fits.map(([, fit]) => fit.sizeMm)
  if (sizes.length === 2 && sizes[0] !== sizes[1]) out.push(`split pair: left ${sizeWords(sizes[0]!)}, right ${sizeWords(sizes[1]!)}`)
  for (const station of STATIONS) {
    const said = fits.flatMap(([side, fit]) => (fit.verdicts[station] && fit.verdicts[station] !== 'right' ? [[side, fit.verdicts[station], fit.clearances[station]!] as const] : []))
    if (said.length === 0) continue
    const both = said.length === 2 && said[0]![1] === said[1]![1]
    if (both) out.push(`${stationWords(station).name} ${said[0]![1]} on both (${round(said[0]![2])} / ${round(said[1]![2])} mm)`)
    else for (const [side, verdict, value] of said) out.push(`${stationWords(station).name} ${verdict} ${side} (${round(value)} mm)`)
  }
  if (out.length === 0) out.push('inside every band on both feet')
  const right = STATIONS.filter((s) => fits.every(([, fit]) => fit.verdicts[s] === 'right'))
  if (right.length > 0 && out[0] !== 'inside every band on both feet') out.unshift(`right at ${right.map((s) => stationWords(s).short).join(', ')}`)
  return out
}
