import { jobSteps } from '../bench/jobSteps'
import type { FittingRecord } from '../record/schema'
import type { ShopTables } from '../record/tables'

/** A share with how many it rests on. */
export interface Share {
  count: number
  of: number
}

export interface ShopFigures {
  /**
   * what clients waited between their own steps at the bench, minutes a client, of those whose
   * steps were timed
   */
  waitingMin: { mean: number; most: number; count: number } | null
  /** finished steps that had to be done again */
  redone: Share
  /** handed over, came back, and neither device nor footwear had to be changed after it */
  firstTimeFit: Share
  /** handed-over pairs that nobody has asked about yet */
  neverBack: Share
}

/**
 * Minutes a client waited between the first and the last of the steps they must be there for; null
 * where fewer than two were timed.
 */
export function clientWaited(
  record: FittingRecord,
  { processes }: Pick<ShopTables, 'processes'>,
): number | null {
  const own = jobSteps(record, { processes }).filter(
    (s) => s.client && s.entry?.startedAt && s.entry.doneAt,
  )
  if (own.length < 2) return null
  const ms = (t: string) => Date.parse(t)
  // Of one sitting: steps of the day of the first.
  const day = own.map((s) => s.entry!.startedAt!.slice(0, 10)).sort()[0]!
  const sitting = own.filter((s) => s.entry!.startedAt!.startsWith(day))
  if (sitting.length < 2) return null
  const span =
    Math.max(...sitting.map((s) => ms(s.entry!.doneAt!))) -
    Math.min(...sitting.map((s) => ms(s.entry!.startedAt!)))
  return Math.max(0, span / 60_000 - sitting.reduce((sum, s) => sum + (s.entry!.actualMin ?? 0), 0))
}

/** Was a pair right as it was handed over? Null while nobody came back. */
export function rightAtOnce(record: FittingRecord): boolean | null {
  const on = record.handover?.on
  if (!on || !(record.followups ?? []).some((f) => f.on > on)) return null
  const later = (at: string | undefined) => at !== undefined && at.slice(0, 10) > on
  const device = (['left', 'right'] as const).some((s) =>
    record.feet[s]?.deviceVersions?.some((v) => later(v.at)),
  )
  const shell = (record.footwear?.chosen?.work ?? []).some((w) => later(w.doneAt))
  // What a client pays for is another wish, not a wrong.
  const round = (record.rounds ?? []).some((r) => r.terms !== 'paid')
  return !device && !shell && !round
}

/** What one fitting adds to the shop's figures. */
export interface PairFigures {
  /** minutes the client waited at the bench; null where too few steps were timed */
  waitedMin: number | null
  finishedSteps: number
  redoneSteps: number
  isHandedOver: boolean
  /** null while nobody came back */
  rightAtOnce: boolean | null
}

/** What a fitting adds; the shop's figures are their sum. */
export function pairFigures(
  record: FittingRecord,
  tables: Pick<ShopTables, 'processes'>,
): PairFigures {
  const finished = (record.jobs ?? []).filter((j) => j.done && j.state !== 'skipped')
  return {
    waitedMin: clientWaited(record, tables),
    finishedSteps: finished.length,
    redoneSteps: finished.filter((j) => (j.redone ?? 0) > 0).length,
    isHandedOver: record.handover?.on !== undefined,
    rightAtOnce: rightAtOnce(record),
  }
}

/** The shop's own figures over what its fittings add. */
export function sumFigures(pairs: readonly PairFigures[]): ShopFigures {
  const waits = pairs.flatMap((p) => p.waitedMin ?? [])
  const sum = (of: (p: PairFigures) => number) => pairs.reduce((total, p) => total + of(p), 0)
  const handed = pairs.filter((p) => p.isHandedOver)
  const judged = handed.flatMap((p) => p.rightAtOnce ?? [])
  return {
    waitingMin: waits.length
      ? {
          mean: waits.reduce((s, v) => s + v, 0) / waits.length,
          most: waits.reduce((most, v) => Math.max(most, v), 0),
          count: waits.length,
        }
      : null,
    redone: { count: sum((p) => p.redoneSteps), of: sum((p) => p.finishedSteps) },
    firstTimeFit: { count: judged.filter(Boolean).length, of: judged.length },
    neverBack: { count: handed.length - judged.length, of: handed.length },
  }
}

/** The shop's own figures over its fittings. */
export const shopFigures = (
  records: readonly FittingRecord[],
  tables: Pick<ShopTables, 'processes'>,
): ShopFigures => sumFigures(records.map((record) => pairFigures(record, tables)))
