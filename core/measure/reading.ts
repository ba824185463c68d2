import { mean } from 'd3-array'
import type { Foot, Reading } from '../record/schema'
import { SCAN_INSTRUMENT, type Posture } from '../tables/vocabulary'
import type { ReadingKind } from '../kinds/readings/all'
import type { Norms } from '../record/tables'
import { agreementOf, type Agreement } from './agreement'

/** What the trials of one reading say. */
export interface ReadingSummary extends Omit<Agreement, 'odd'> {
  /**
   * indices among all trials of the odd ones the tool proposes to strike, empty when there is
   * nothing to propose
   */
  proposeStrike: number[]
}

/** Trials of a reading that are not struck out, with their index among all trials. */
export const keptTrials = (reading: Pick<Reading, 'trials' | 'struck'>) =>
  reading.trials
    .map((value, index) => ({ value, index }))
    .filter((t) => !reading.struck.includes(t.index))

/**
 * Mean, spread (max − min) and agreement of the trials kept; the odd ones are proposed for striking,
 * never struck.
 *
 * @returns null when no trial is kept
 * @example summarise({ what: 'instepGirthMm', trials: [246, 252, 249], struck: [] }, HOUSE_NORMS) // { spread: 6, repeat: true, agreed: true, proposeStrike: [1] }
 */
export function summarise(
  reading: Pick<Reading, 'what' | 'trials' | 'struck'>,
  norms: Pick<Norms, 'repeatLimitMm'>,
): ReadingSummary | null {
  const kept = keptTrials(reading)
  const found = agreementOf(
    kept.map((t) => t.value),
    norms.repeatLimitMm[reading.what],
  )
  if (!found) return null
  const { odd, ...rest } = found
  return { ...rest, proposeStrike: odd.map((i) => kept[i]!.index) }
}

/**
 * All readings of a kind and posture as one (a record may hold several entries); a scan's trials
 * count only where no hand has measured.
 */
export function readingOf(foot: Foot, what: ReadingKind, posture: Posture): Reading | undefined {
  const all = foot.readings.filter((r) => r.what === what && r.posture === posture)
  const byHand = all.filter((r) => r.instrument !== SCAN_INSTRUMENT)
  const found = byHand.length > 0 ? byHand : all
  if (found.length <= 1) return found[0]
  const trials: number[] = []
  const struck: number[] = []
  for (const reading of found) {
    struck.push(...reading.struck.map((i) => i + trials.length))
    trials.push(...reading.trials)
  }
  return { ...found[0]!, trials, struck }
}

/** Mean of the trials kept of a reading in one posture, mm. */
export function meanOfReading(foot: Foot, what: ReadingKind, posture: Posture): number | undefined {
  const reading = readingOf(foot, what, posture)
  return reading && mean(keptTrials(reading), (t) => t.value)
}

/**
 * The reading's mean in the wanted posture, else in any other posture taken (lengths and widths
 * taken once serve both).
 */
export function bestMean(foot: Foot, what: ReadingKind, posture: Posture): number | undefined {
  const order: Posture[] = [posture, 'standing', 'sitting', 'prone', 'supine']
  for (const p of order) {
    const value = meanOfReading(foot, what, p)
    if (value !== undefined) return value
  }
  return undefined
}
