import type { FittingRecord } from '../record/schema'
import { judge } from './advise'

/**
 * A caution that follows the client to every station and paper, whatever has been decided in the
 * ledger.
 */
export interface Caution {
  code: string
  kind: 'stop' | 'watch'
  words: string
  /** still to be asked of the client: loud from Make on */
  asks?: true
}

/** Cautions of health, age and law that hold for a record, stops first. */
export const cautionsOf = (record: FittingRecord, today?: string): Caution[] =>
  judge(record, record.story?.school, [], today).flatMap((e) =>
    e.caution && e.kind !== 'suggest'
      ? [{ code: e.code, kind: e.kind, words: e.words, ...(e.asks && { asks: e.asks }) }]
      : [],
  )
