import { SIDES } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import type { FootFit, PairFit } from './match'
import { sizeWords } from './reasons'

/** What is said of a pair in a word or two, and how it stands. */
export interface PairVerdict {
  kind: 'good' | 'watch' | 'stop'
  word: string
}

/** Minutes of work that a pair needs. */
export const workMinutesOf = (pair: Pick<PairFit, 'work'>): number =>
  pair.work.reduce((sum, work) => sum + work.minutes, 0)

/**
 * Does this pair fit? Tight somewhere counts before work, work before loose.
 *
 * @example pairVerdict({ work: [], left: { verdicts: { ball: 'snug' } } }) // { kind: 'good', word:
 *   'Fits, snug' }
 */
export function pairVerdict(
  pair: Pick<PairFit, 'work'> & Partial<Record<'left' | 'right', Pick<FootFit, 'verdicts'>>>,
): PairVerdict {
  const verdicts = SIDES.flatMap((side) => Object.values(pair[side]?.verdicts ?? {}))
  const minutes = workMinutesOf(pair)
  if (verdicts.includes('tight'))
    return { kind: 'stop', word: minutes > 0 ? 'Tight, with work' : 'Tight somewhere' }
  if (minutes > 0) return { kind: 'watch', word: 'With work' }
  if (verdicts.includes('loose')) return { kind: 'watch', word: 'Loose somewhere' }
  return { kind: 'good', word: verdicts.includes('snug') ? 'Fits, snug' : 'Fits' }
}

/** Sizes of a pair as they are called: one where both feet have the same. */
export function pairSizeWords(pair: PairFit): string {
  const sizes = SIDES.flatMap((side) => (pair[side] ? [{ side, mm: pair[side].sizeMm }] : []))
  if (new Set(sizes.map(({ mm }) => mm)).size === 1) return sizeWords(sizes[0]!.mm)
  return sizes.map(({ side, mm }) => `${side === 'left' ? 'L' : 'R'} ${sizeWords(mm)}`).join(' · ')
}

/** Pairs of a foot's size on the shelf; none of a foot without a size. */
export const stockOf = (
  model: Pick<FootwearModel, 'stock'>,
  fit: Pick<FootFit, 'sizeMm'> | undefined,
): number => (fit ? (model.stock[String(fit.sizeMm)] ?? 0) : 0)
