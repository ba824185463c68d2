import type { Norms } from '../record/tables'
import { summarise } from '../measure/reading'
import type { CapturePart } from '../record/captureSchema'
import type { Foot } from '../record/schema'
import { SCAN_INSTRUMENT, type Posture } from '../tables/vocabulary'
import { READING_KINDS, type ReadingKind } from '../kinds/readings/all'
import type { ScanReadings } from './foot/scanReadings'

/** One reading of the scan beside the hand's. */
export interface AgainstHand {
  what: ReadingKind
  scanMm: number
  hand: { meanMm: number; spreadMm: number; trials: number; posture: Posture } | null
  gapMm: number | null
  limitMm: number
  /** the gap is larger than repeated trials may spread */
  apart: boolean
  /** hand and scan were taken under different load, so a gap may be real */
  otherLoad: boolean
}

/** Posture in which a shape of this load counts as read. */
export const postureOf = (load: CapturePart['load']): Posture =>
  load === 'full' ? 'standing' : load === 'part' ? 'sitting' : 'prone'

const NEAREST: Record<CapturePart['load'], readonly Posture[]> = {
  none: ['prone', 'supine', 'sitting', 'standing'],
  part: ['sitting', 'prone', 'supine', 'standing'],
  full: ['standing', 'sitting', 'prone', 'supine'],
}

/**
 * Sets what was read off a scan against hand readings of the nearest load. A gap beyond the spread
 * limit is a caution, not a verdict.
 */
export function againstHand(
  foot: Foot,
  readings: ScanReadings,
  load: CapturePart['load'],
  norms: Pick<Norms, 'repeatLimitMm'>,
): AgainstHand[] {
  return READING_KINDS.flatMap((what): AgainstHand[] => {
    const scanMm = readings[what]
    if (scanMm === undefined) return []
    const limitMm = norms.repeatLimitMm[what]
    for (const posture of NEAREST[load]) {
      const entry = foot.readings.find(
        (r) => r.what === what && r.posture === posture && r.instrument !== SCAN_INSTRUMENT,
      )
      const summary = entry && summarise(entry, norms)
      if (!summary) continue
      const gapMm = scanMm - summary.mean
      return [
        {
          what,
          scanMm,
          hand: { meanMm: summary.mean, spreadMm: summary.spread, trials: summary.trials, posture },
          gapMm,
          limitMm,
          apart: Math.abs(gapMm) > limitMm + summary.spread / 2,
          otherLoad: (posture === 'standing') !== (load === 'full'),
        },
      ]
    }
    return [{ what, scanMm, hand: null, gapMm: null, limitMm, apart: false, otherLoad: false }]
  })
}

/** The scan trials that a foot's record keeps, against the hand's. */
export const keptAgainstHand = (foot: Foot, norms: Pick<Norms, 'repeatLimitMm'>): AgainstHand[] => {
  const kept = foot.readings.filter((r) => r.instrument === SCAN_INSTRUMENT)
  return kept.length === 0
    ? []
    : againstHand(
        foot,
        Object.fromEntries(
          kept.flatMap((r) => {
            const mean = summarise(r, norms)?.mean
            return mean === undefined ? [] : [[r.what, mean]]
          }),
        ),
        foot.capture?.load ?? 'none',
        norms,
      )
}
