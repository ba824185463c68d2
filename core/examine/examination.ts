import type { AngleSummary } from './angle'
import type { Ankle, FirstToe, PostureClass } from './verdicts'

/** Findings that are angles with trials: alignment (signed) and ranges (positive). */
export const ANGLE_KEYS = [
  'inversionDeg',
  'eversionDeg',
  'neutralPalpatedDeg',
  'ncspDeg',
  'rcspDeg',
  'tibialVarumDeg',
  'forefootDeg',
  'ankleKneeStraightDeg',
  'ankleKneeBentDeg',
  'firstToeUnloadedDeg',
  'firstToeLoadedDeg',
] as const
export type AngleKey = (typeof ANGLE_KEYS)[number]

/** Everything derived from one foot's findings; what cannot be given is null. Degrees, + is varus, inversion, supination. */
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
  /** the neutral stance differs from the expected one by more than 2° */
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
  words: string
}

/** Usual forefoot varus, degrees; −2 to 0 counts as 0 within reading error. */
export const USUAL_FOREFOOT_DEG = [-2, 6] as const
