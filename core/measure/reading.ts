import { mean } from 'd3-array'
import type { Foot, Reading } from '../record/schema'
import { SCAN_INSTRUMENT, type Posture } from '../tables/vocabulary'
import type { ReadingKind } from '../kinds/readings/all'
import type { Norms } from '../record/tables'

/** What the trials of one reading say. */
export interface ReadingSummary {
  mean: number
  spread: number
  /** trials kept */
  trials: number
  /** spread above the limit: take another */
  repeat: boolean
  /** the two (from four on: three) closest trials lie within the limit */
  agreed: boolean
  /**
   * indices of the odd trials the tool proposes to strike, empty when there is nothing to propose
   */
  proposeStrike: number[]
  /** five trials without agreement */
  notRepeatable: boolean
}

/** Trials of a reading that are not struck out, with their index among all trials. */
const keptTrials = (reading: Pick<Reading, 'trials' | 'struck'>) =>
  reading.trials
    .map((value, index) => ({ value, index }))
    .filter((t) => !reading.struck.includes(t.index))

/**
 * Mean, spread (max − min) and agreement of the trials kept. The range never shrinks by adding
 * trials, so agreement is judged by the closest two (three from four trials on); the odd ones are
 * proposed for striking, never struck.
 *
 * @returns null when no trial is kept
 * @example summarise({ what: 'instepGirthMm', trials: [246, 252, 249], struck: [] }, HOUSE_NORMS) // { spread: 6, repeat: true, agreed: true, proposeStrike: [1] }
 */
export function summarise(
  reading: Pick<Reading, 'what' | 'trials' | 'struck'>,
  norms: Pick<Norms, 'repeatLimitMm'>,
): ReadingSummary | null {
  const kept = keptTrials(reading)
  if (kept.length === 0) return null
  const limit = norms.repeatLimitMm[reading.what]
  const sorted = [...kept].sort((a, b) => a.value - b.value)
  const spread = sorted.at(-1)!.value - sorted[0]!.value
  const need = kept.length >= 4 ? 3 : 2
  let closest: { from: number; width: number } | null = null
  for (let from = 0; from + need <= sorted.length; from++) {
    const width = sorted[from + need - 1]!.value - sorted[from]!.value
    if (!closest || width < closest.width) closest = { from, width }
  }
  const agreed = closest !== null && closest.width <= limit + 1e-9
  const repeat = spread > limit + 1e-9
  const inside = closest ? sorted.slice(closest.from, closest.from + need) : []
  const centre = mean(inside, (t) => t.value) ?? 0
  const odd =
    repeat && agreed
      ? kept
          .filter((t) => !inside.includes(t) && Math.abs(t.value - centre) > limit)
          .map((t) => t.index)
      : []
  const fallback =
    repeat && agreed && odd.length === 0
      ? kept.filter((t) => !inside.includes(t)).map((t) => t.index)
      : odd
  return {
    mean: mean(kept, (t) => t.value)!,
    spread,
    trials: kept.length,
    repeat,
    agreed,
    proposeStrike: fallback,
    notRepeatable: kept.length >= 5 && !agreed,
  }
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
