import { mean } from 'd3-array'
import { technicalError } from './repeatability'

/** Fewer pairs of double readings than this are shown but not used. */
export const ENOUGH_PAIRS = 5

/** One foot that one fitter has read twice, foot off the device, landmarks found anew. */
export interface DoubleRead {
  /** kind of reading or angle */
  what: string
  fitter: string
  /** whose foot: the same words for the same foot */
  subject: string
  first: number
  second: number
}

/** How well one fitter repeats one kind. */
export interface FitterError {
  what: string
  fitter: string
  pairs: number
  /** technical error, in the kind's unit */
  tem: number
}

/**
 * Error of every fitter for every kind that was read twice.
 *
 * @example
 *   fitterErrors([{ what: 'footLengthMm', fitter: 'Ada', subject: 'a', first: 264, second: 266 }])[0].tem
 *   // 1.414 = √(2²/2)
 */
export function fitterErrors(doubles: readonly DoubleRead[]): FitterError[] {
  const groups = new Map<string, DoubleRead[]>()
  for (const d of doubles) {
    const key = JSON.stringify([d.what, d.fitter])
    groups.set(key, [...(groups.get(key) ?? []), d])
  }
  return [...groups.values()].map((group) => ({
    what: group[0]!.what,
    fitter: group[0]!.fitter,
    pairs: group.length,
    tem: technicalError(group.map((d) => [d.first, d.second]))!,
  }))
}

/** Two fitters who read the same feet. */
export interface FitterBias {
  what: string
  /** by name, in the order of the alphabet */
  fitters: readonly [string, string]
  /** feet that both have read */
  feet: number
  /** mean of the first one's readings less those of the second, in the kind's unit */
  bias: number
}

/**
 * What fitters read apart on feet that both have read, by kind.
 *
 * For instance Ada 264 and 266, Ben 262 and 264 on foot 'a' are a bias of 2 over one foot
 */
export function fitterBiases(doubles: readonly DoubleRead[]): FitterBias[] {
  const means = new Map<string, Map<string, number[]>>()
  for (const d of doubles) {
    const foot = JSON.stringify([d.what, d.subject.trim().toLowerCase()])
    const byFitter = means.get(foot) ?? new Map<string, number[]>()
    byFitter.set(d.fitter, [...(byFitter.get(d.fitter) ?? []), d.first, d.second])
    means.set(foot, byFitter)
  }
  const found = new Map<string, { what: string; fitters: [string, string]; gaps: number[] }>()
  for (const [foot, byFitter] of means) {
    const [what] = JSON.parse(foot) as [string]
    const names = [...byFitter.keys()].sort((a, b) => a.localeCompare(b))
    for (const [i, one] of names.entries())
      for (const other of names.slice(i + 1)) {
        const key = JSON.stringify([what, one, other])
        const entry = found.get(key) ?? { what, fitters: [one, other], gaps: [] }
        entry.gaps.push(mean(byFitter.get(one)!)! - mean(byFitter.get(other)!)!)
        found.set(key, entry)
      }
  }
  return [...found.values()].map(({ what, fitters, gaps }) => ({
    what,
    fitters,
    feet: gaps.length,
    bias: mean(gaps)!,
  }))
}
