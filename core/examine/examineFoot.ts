import { sum } from 'd3-array'
import { acrossMm } from '../geometry/angle'
import { HOUSE_NORMS, type Norms } from '../measure/normsTable'
import { bestMean } from '../measure/reading'
import type { Findings, Foot } from '../record/schema'
import { alignmentWords } from './alignmentWords'
import { summariseAngle } from './angle'
import { ANGLE_KEYS, type AngleKey, type FootExamination } from './examination'
import { ankleOf, firstToeOf, postureClassOf, subtalarNeutralDeg } from './verdicts'

const RANGES: ReadonlySet<AngleKey> = new Set([
  'inversionDeg',
  'eversionDeg',
  'ankleKneeStraightDeg',
  'ankleKneeBentDeg',
  'firstToeUnloadedDeg',
  'firstToeLoadedDeg',
])
export const isRange = (key: AngleKey): boolean => RANGES.has(key)

/** Trials of an angle, wherever the record keeps them. */
export function trialsOf(findings: Findings | undefined, key: AngleKey): readonly number[] {
  return (
    (key === 'inversionDeg' || key === 'eversionDeg'
      ? findings?.subtalar?.[key]
      : findings?.[key]) ?? []
  )
}

/** The findings with an angle's trials replaced. */
export function withTrials(
  findings: Findings | undefined,
  key: AngleKey,
  trials: number[],
): Findings {
  if (key === 'inversionDeg' || key === 'eversionDeg')
    return { ...findings, subtalar: { ...findings?.subtalar, [key]: trials } }
  return { ...findings, [key]: trials }
}

/** Neutral stance against tibia plus neutral: above this, measure again. */
const NCSP_GAP_DEG = 2

/**
 * Alignment, compensation and ranges of one foot with one exact sentence.
 *
 * expected NCSP = tibial varum + subtalar neutral; roll = NCSP − RCSP; uncompensated = max(0, RCSP); eversion left = E + RCSP − tibial varum;
 * forefoot height d = W·tan θ.
 *
 * @param child under 16: posture is a number, never a class
 * @example examineFoot(foot with forefootDeg [7] and width 96).forefootMm // 11.79
 */
export function examineFoot(
  foot: Foot,
  child = false,
  norms: Norms = HOUSE_NORMS,
): FootExamination {
  const findings = foot.findings
  const angles = Object.fromEntries(
    ANGLE_KEYS.map((key) => [
      key,
      summariseAngle(
        trialsOf(findings, key),
        isRange(key) ? norms.rangeRepeatDeg : norms.alignmentRepeatDeg,
      ),
    ]),
  ) as FootExamination['angles']
  const of = (key: AngleKey) => angles[key]?.meanDeg ?? null
  const [I, E, ncsp, rcsp, tibia, palpated] = [
    of('inversionDeg'),
    of('eversionDeg'),
    of('ncspDeg'),
    of('rcspDeg'),
    of('tibialVarumDeg'),
    of('neutralPalpatedDeg'),
  ]
  const neutralDeg = I !== null && E !== null ? subtalarNeutralDeg(I, E) : null
  const neutral = neutralDeg ?? palpated
  const expectedNcspDeg = tibia !== null && neutral !== null ? tibia + neutral : null
  const width = bestMean(foot, 'forefootWidthMm', 'standing')
  const [unloaded, straight, bent] = [
    of('firstToeUnloadedDeg'),
    of('ankleKneeStraightDeg'),
    of('ankleKneeBentDeg'),
  ]
  const postureSum = findings?.posture ? sum(findings.posture) : null
  const joints = {
    ...(findings?.firstRay?.stiffness && { firstRay: findings.firstRay.stiffness }),
    ...findings?.mobility,
  }
  const which = (how: 'stiff' | 'loose') =>
    Object.entries(joints).flatMap(([joint, value]) => (value === how ? [joint] : []))
  const result: Omit<FootExamination, 'words'> = {
    angles,
    neutralDeg,
    neutralGapDeg: neutralDeg !== null && palpated !== null ? neutralDeg - palpated : null,
    forefoot: angles.forefootDeg,
    forefootMm:
      angles.forefootDeg && width !== undefined
        ? acrossMm(angles.forefootDeg.meanDeg, width)
        : null,
    relaxed: angles.rcspDeg,
    expectedNcspDeg,
    ncspDisagrees:
      ncsp !== null && expectedNcspDeg !== null && Math.abs(ncsp - expectedNcspDeg) > NCSP_GAP_DEG,
    rollDeg: ncsp !== null && rcsp !== null ? ncsp - rcsp : null,
    uncompensatedDeg: rcsp === null ? null : Math.max(0, rcsp),
    eversionLeftDeg: E !== null && rcsp !== null && tibia !== null ? E + rcsp - tibia : null,
    postureSum,
    postureClass: postureSum === null || child ? null : postureClassOf(postureSum),
    firstToe:
      unloaded === null
        ? null
        : firstToeOf(
            unloaded,
            of('firstToeLoadedDeg') ?? undefined,
            findings?.firstToeStiff === true || findings?.firstToeMidRangePain === true,
            findings?.firstToeMidRangePain === true,
          ),
    ankle: straight === null || bent === null ? null : ankleOf(straight, bent),
    stiff: which('stiff'),
    loose: which('loose'),
  }
  return { ...result, words: alignmentWords(result, findings, child) }
}
