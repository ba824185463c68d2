import { STATIONS, STATION_KINDS, type Station } from '../kinds/stations/all'
import { isUnderFoot } from '../tables/shellWork'
import type { ShellWork } from '../record/schema'
import type { Side } from '../tables/vocabulary'

/**
 * Room that a model was shown to have or lack for this client: by shell checks, by what was felt,
 * by work that was done.
 */
export interface Offset {
  /** how it was shown */
  by: 'check' | 'felt' | 'work'
  model: string
  foot: Side
  /** only this size of it; every size where absent */
  sizeMm?: number
  station: Station
  mm: number
  /** the shell as it was known when it was checked, mm: what was put right in the catalogue since counts no more */
  knownAs?: { sizeMm: number; insideMm: number }
  words: string
}

/** Is an offset about this size of a model on this foot? */
export const isAbout = (o: Offset, model: string, side: Side, sizeMm: number): boolean =>
  o.model === model && o.foot === side && (o.sizeMm === undefined || o.sizeMm === sizeMm)

/** Offsets summed by station. */
export function sumOffsets(offsets: readonly Offset[]): Partial<Record<Station, number>> {
  const out: Partial<Record<Station, number>> = {}
  for (const o of offsets) out[o.station] = (out[o.station] ?? 0) + o.mm
  return out
}

/**
 * How much of a millimetre under the foot a station feels: a height, or where a bone sits, all of it; a girth round the foot, whose loop
 * is 2 mm longer or shorter for each, 1/π of its radius; a width or the leg nothing.
 */
function shareUnder(station: Station): number {
  const { measure, kind } = STATION_KINDS.of(station)
  if (measure === 'height' || measure === 'level') return 1
  return measure === 'girth' && kind !== 'cuff' ? 1 / Math.PI : 0
}

/**
 * What work that is done has changed in the shells, as room by station: the mm that were found
 * afterwards where somebody looked, else the mm that were asked. Work on one side of a width or
 * girth counts half a side, as the clearance is the mean of the two; work under the foot moves every
 * height and girth over it.
 */
export function workedOffsets(work: readonly ShellWork[]): Offset[] {
  return work.flatMap((w): Offset[] => {
    if (w.state !== 'done' || !STATION_KINDS.find(w.station)) return []
    const { kind: station, measure } = STATION_KINDS.of(w.station)
    const amount = w.gainedMm ?? w.amountMm
    const isOneSide =
      (measure === 'width' || measure === 'girth') &&
      w.at.side !== 'both' &&
      w.does !== 'tongue pad'
    const shares: [Station, number][] = isUnderFoot(w.does)
      ? STATIONS.map((s) => [s, shareUnder(s)])
      : [[station, isOneSide ? 0.5 : 1]]
    return shares.flatMap(([at, share]): Offset[] => {
      const mm = GIVES[w.does] * amount * share
      if (mm === 0) return []
      const counts = `${mm > 0 ? '+' : '−'}${Math.abs(Math.round(mm * 10) / 10)} mm`
      return [
        {
          by: 'work',
          model: w.model,
          foot: w.foot,
          sizeMm: w.sizeMm,
          station: at,
          mm,
          words: `${w.does} ${w.gainedMm === undefined ? 'asked' : 'found'} ${amount} mm at ${STATION_KINDS.of(at).short}: counts ${counts}`,
        },
      ]
    })
  })
}

/** Does work give room (1), take it (−1) or leave the station as it was (0)? */
const GIVES: Record<ShellWork['does'], 1 | -1 | 0> = {
  stretch: 1,
  grind: 1,
  pad: -1,
  'grind boot board': 1,
  shim: -1,
  'insole shim': -1,
  'tongue pad': -1,
  cuff: 0,
  sole: 0,
}
