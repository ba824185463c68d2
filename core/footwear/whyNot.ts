import { STATIONS, STATION_KINDS, type Station } from '../kinds/stations/all'
import { SIDES } from '../tables/vocabulary'
import type { FootwearModel } from './catalogueSchema'
import type { Norms } from '../record/tables'
import type { MatchResult, PairFit } from './match'
import { oneDecimal, sizeWords } from './reasons'
import { verdictWord } from './targets'

const pairCost = (pair: PairFit, station: Station) =>
  SIDES.reduce((sum, side) => sum + (pair[side]?.costs[station] ?? 0), 0)
const minutes = (pair: PairFit) => pair.work.reduce((sum, w) => sum + w.minutes, 0)

/**
 * Why a model is not the first: the stations that cost it most against the first, and the work it
 * needs more, in words. What cannot be made to fit says so.
 *
 * @returns null for the first itself and for a model that was not compared
 */
export function whyNot(
  id: string,
  result: MatchResult,
  byId: (id: string) => Pick<FootwearModel, 'name'> | undefined,
  { rankingWeights }: Pick<Norms, 'rankingWeights'>,
): string[] | null {
  const rejected = result.rejected.find((r) => r.model === id)
  if (rejected) return [rejected.because]
  const first = result.pair[0]
  const this_ = result.pair.find((p) => p.model === id)
  const best = first && byId(first.model)
  if (!first || !this_ || !best || first === this_) return null
  const worse = STATIONS.map((station) => ({
    station,
    by: pairCost(this_, station) - pairCost(first, station),
  }))
    .filter((w) => w.by > 0.15)
    .sort((a, b) => b.by - a.by)
    .slice(0, 3)
  const out = worse.map(({ station }) => {
    const told = SIDES.flatMap((side) => {
      const fit = this_[side]
      const value = fit?.clearances[station] ?? null
      const verdict = fit?.verdicts[station]
      if (value === null || !verdict || verdict === 'right') return []
      const other = first[side]?.clearances[station] ?? null
      const beside = other === null ? '' : `, ${best.name} has ${oneDecimal(other)}`
      return [`${side} ${verdictWord(station, verdict)} with ${oneDecimal(value)} mm${beside}`]
    })
    return `${STATION_KINDS.of(station).name}: ${told.join('; ') || 'not stated by the maker'}`
  })
  const more = minutes(this_) - minutes(first)
  if (more > 0)
    out.push(
      `${more} min more work than ${best.name} (counts ${oneDecimal(more * rankingWeights.perMinute)} in the score)`,
    )
  const split = this_.left && this_.right && this_.left.sizeMm !== this_.right.sizeMm
  if (split)
    out.push(
      `only as a split pair, ${sizeWords(this_.left!.sizeMm)} and ${sizeWords(this_.right!.sizeMm)}`,
    )
  if (out.length === 0)
    out.push(
      `as good as ${best.name} within ${oneDecimal(Math.max(0.1, this_.score - first.score))} of score: bring out both`,
    )
  return out
}
