import { SIDES, type Side } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import type { StandingFoot } from '../kinds/stations/definition'
import { bandsOf, fitFoot, type FootFit, type MatchSettings } from './fitFoot'
import type { WorkItem } from './mend'
import { pairScore } from './pairScore'
import {
  emptyScores,
  familyGround,
  rankSizes,
  type FamilyGround,
  type SizeScores,
} from './rankSizes'
import { reasonsOf, sizeWords } from './reasons'
import { linerEndsMm } from './toeRoom'
import { statedBumps } from './stationOn'
import type { Band } from '../tables/footwearTargets'

export type { FootFit, MatchSettings, WorkItem }
export { fitFoot, sizeWords }

export interface PairFit {
  model: string
  left?: FootFit
  right?: FootFit
  score: number
  work: WorkItem[]
  reasons: string[]
}

export interface Rejected {
  model: string
  because: string
  score: number
}

export interface MatchResult {
  pair: PairFit[]
  rejected: Rejected[]
  /** of how many compared can be made to fit, told or not */
  counts: { fit: number; compared: number }
}

export type Feet = Partial<Record<Side, StandingFoot>>

const EPS = 1e-9

/** Sizes picked of a model, by their places in its list, and how good the pair is. */
interface Pick {
  left: number
  right: number
  score: number
  offAim: number
  usable: boolean
}

type Ground = (model: FootwearModel, side: Side) => FamilyGround & { bands: readonly Band[] }

function groundOf(feet: Feet, settings: MatchSettings): Ground {
  const made = new Map<string, ReturnType<Ground>>()
  return (model, side) => {
    const { family } = model
    // A growing foot's room lies inside the liner, which differs from model to model.
    const ends = settings.child ? linerEndsMm(model) : 0
    const key = `${family} ${side} ${statedBumps(model)} ${ends}`
    const had = made.get(key)
    if (had) return had
    const bands = bandsOf(model, feet[side]!, side, settings)
    const ground = { ...familyGround(feet[side]!, model, bands, settings), bands }
    made.set(key, ground)
    return ground
  }
}

const SCORES: Record<Side, SizeScores> = { left: emptyScores(), right: emptyScores() }

/**
 * Is size a better than size b for one foot: usable first, less score, nearer to the middle of its
 * bands, nearer to the foot?
 */
function better(
  { score, offAim, usable }: SizeScores,
  a: number,
  b: number,
  sizesMm: readonly number[],
  lengthMm: number,
): boolean {
  if (usable[a] !== usable[b]) return usable[a] === 1
  if (Math.abs(score[a]! - score[b]!) > EPS) return score[a]! < score[b]!
  if (Math.abs(offAim[a]! - offAim[b]!) > EPS) return offAim[a]! < offAim[b]!
  return Math.abs(sizesMm[a]! - lengthMm) < Math.abs(sizesMm[b]! - lengthMm)
}

/**
 * The best size of each foot; two feet get one size unless a split pair with its cost is still
 * better.
 */
function pickSizes(
  feet: Feet,
  model: FootwearModel,
  settings: MatchSettings,
  ground: Ground,
): Pick {
  const { sizesMm } = model
  const best = (side: Side): number => {
    const foot = feet[side]
    if (!foot) return -1
    const scores = rankSizes(foot, side, model, settings, ground(model, side), SCORES[side])
    let own = 0
    for (let k = 1; k < sizesMm.length; k++)
      if (better(scores, k, own, sizesMm, foot.lengthMm)) own = k
    return own
  }
  const [left, right] = [best('left'), best('right')]
  const { left: l, right: r } = SCORES
  if (left < 0 || right < 0) {
    const [scores, k] = left < 0 ? [r, right] : [l, left]
    return {
      left,
      right,
      score: scores.score[k]!,
      offAim: scores.offAim[k]!,
      usable: scores.usable[k] === 1,
    }
  }
  const pair = (a: number, b: number): Pick => ({
    left: a,
    right: b,
    score: pairScore([l.score[a]!, r.score[b]!], a !== b, settings.rows.rankingWeights),
    offAim: l.offAim[a]! + r.offAim[b]!,
    usable: l.usable[a] === 1 && r.usable[b] === 1,
  })
  let won = pair(left, right)
  if (left === right) return won
  for (let k = 0; k < sizesMm.length; k++) {
    const same = pair(k, k)
    if (
      same.usable !== won.usable
        ? same.usable
        : Math.abs(same.score - won.score) > EPS
          ? same.score < won.score
          : same.offAim < won.offAim - EPS
    )
      won = same
  }
  return won
}

/**
 * Ranks a catalogue for a pair of feet: the best size of each model per foot, work it needs,
 * reasons for and against in words; models that no work makes fit are listed with why. Stock never
 * changes the ranking, nor does the order of the catalogue.
 *
 * Score = Σ weight × (too little, weighed more, + too much beyond the band, mm) + minutes of work by
 * their weight, mean of the feet; a split pair adds its cost.
 *
 * @param feet one foot or both, as they stand on their devices
 * @param most only so many of the best are told in full; 0 for all
 * @param isAsked is a model in the sizes that it ranks with asked for at all? Such as are not are left out, whatever
 *   they score
 */
export function matchCatalogue(
  feet: Feet,
  models: readonly FootwearModel[],
  settings: MatchSettings,
  most = 0,
  isAsked: (model: FootwearModel, sizesMm: readonly number[]) => boolean = () => true,
): MatchResult {
  const ground = groundOf(feet, settings)
  const picked = models
    .map((model) => ({ model, pick: pickSizes(feet, model, settings, ground) }))
    .filter(({ model, pick }) => {
      const sizes = [pick.left, pick.right].flatMap((k) => (k < 0 ? [] : [model.sizesMm[k]!]))
      return isAsked(model, sizes)
    })
  const order = (a: (typeof picked)[number], b: (typeof picked)[number]) =>
    Math.abs(a.pick.score - b.pick.score) > EPS
      ? a.pick.score - b.pick.score
      : Math.abs(a.pick.offAim - b.pick.offAim) > EPS
        ? a.pick.offAim - b.pick.offAim
        : a.model.id < b.model.id
          ? -1
          : 1
  const told = ({ model, pick }: (typeof picked)[number]) =>
    SIDES.flatMap((side) =>
      pick[side] < 0
        ? []
        : [
            [
              side,
              fitFoot(
                feet[side]!,
                side,
                model,
                model.sizesMm[pick[side]]!,
                settings,
                ground(model, side).bands,
              ),
            ] as const,
          ],
    )
  const some = (list: typeof picked) => (most > 0 ? list.slice(0, most) : list)
  return {
    pair: some(picked.filter((p) => p.pick.usable).sort(order)).map((p) => {
      const fits = told(p)
      return {
        model: p.model.id,
        ...Object.fromEntries(fits),
        score: p.pick.score,
        work: fits.flatMap(([, fit]) => fit.work),
        reasons: reasonsOf(fits, p.model, settings),
      }
    }),
    rejected: some(picked.filter((p) => !p.pick.usable).sort(order)).map((p) => {
      const [side, fit] = told(p).find(([, f]) => f.because !== null)!
      return {
        model: p.model.id,
        because: `${side} ${sizeWords(fit.sizeMm)}: ${fit.because}`,
        score: p.pick.score,
      }
    }),
    counts: { fit: picked.filter((p) => p.pick.usable).length, compared: picked.length },
  }
}
