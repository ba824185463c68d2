import type { AngleKey } from '../kinds/findings/all'
import type { AngleSummary } from './angleSummary'
import type { ImpossiblePair } from './impossible'
import type { Ankle, FirstToe, PostureClass } from './verdicts'

/**
 * Everything derived from one foot's findings; what cannot be given is null. Degrees, + is varus,
 * inversion, supination.
 */
export interface FootExamination {
  angles: Record<AngleKey, AngleSummary | null>
  /** computed from the ranges */
  neutralDeg: number | null
  /** computed minus palpated */
  neutralGapDeg: number | null
  forefoot: AngleSummary | null
  /** the forefoot angle as a height across the measured forefoot width, mm */
  forefootMm: number | null
  relaxed: AngleSummary | null
  /** tibial varum plus neutral: what the neutral stance should read */
  expectedNcspDeg: number | null
  /** the neutral stance less the expected one */
  ncspGapDeg: number | null
  /** they differ by more than the limit: measure again */
  ncspDisagrees: boolean
  rollDeg: number | null
  uncompensatedDeg: number | null
  eversionLeftDeg: number | null
  postureSum: number | null
  /** adults only */
  postureClass: PostureClass | null
  firstToe: FirstToe | null
  ankle: Ankle | null
  stiff: string[]
  loose: string[]
  /** findings that cannot both be true: what hangs on them is null until they were taken again */
  impossible: ImpossiblePair[]
  /** heel line, axis and knee contradict each other: no push is derived from them */
  contradictory: boolean
  words: string
}
