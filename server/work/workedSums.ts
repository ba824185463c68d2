import { sumFigures, type PairFigures } from '../../core/followup/shopFigures'
import { workedRows, type WorkedCase } from '../../core/followup/worked'

/** What became of one handed-over pair, as it is kept. */
export interface Outcome {
  cases: WorkedCase[]
  figures: PairFigures
}

/** Sums over many of them. */
export interface Worked {
  rows: ReturnType<typeof workedRows>
  figures: ReturnType<typeof sumFigures>
  fittings: number
}

/** So many clients of a row are named; how many there are is told. */
const MOST_NAMED = 60

/** Sums outcomes, newest first, from the text that they are kept as. */
export function workedSums(text: string): Worked {
  const outcomes = JSON.parse(text) as Outcome[]
  return {
    rows: workedRows(outcomes.flatMap((o) => o.cases)).map((row) => ({
      ...row,
      list: row.list.slice(0, MOST_NAMED),
    })),
    figures: sumFigures(outcomes.map((o) => o.figures)),
    fittings: outcomes.length,
  }
}
