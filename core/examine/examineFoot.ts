import { ANGLES, ANGLE_KEYS, type AngleKey } from '../kinds/findings/all'
import { sum } from 'd3-array'
import { acrossMm } from '../geometry/tilt'
import type { Norms } from '../record/tables'
import { bestMean } from '../measure/reading'
import type { Findings, Foot } from '../record/schema'
import { alignmentWords } from './alignmentWords'
import { summariseAngle } from './angleSummary'
import type { FootExamination } from './examination'
import { ankleOf, firstToeOf, postureClassOf, subtalarNeutralDeg } from './verdicts'

/** Trials of an angle, wherever the record keeps them. */
export function trialsOf(findings: Findings | undefined, key: AngleKey): readonly number[] {
  const within = ANGLES.of(key).within
  const place = (within ? findings?.[within] : findings) as
    Partial<Record<AngleKey, number[]>> | undefined
  return place?.[key] ?? []
}

/** The findings with an angle's trials replaced. */
export function withTrials(
  findings: Findings | undefined,
  key: AngleKey,
  trials: number[],
): Findings {
  const within = ANGLES.of(key).within
  return within
    ? { ...findings, [within]: { ...findings?.[within], [key]: trials } }
    : { ...findings, [key]: trials }
}

/**
 * Alignment, compensation and ranges of one foot with one exact sentence.
 *
 * expected NCSP = tibial varum + subtalar neutral; roll = NCSP − RCSP; uncompensated = max(0,
 * RCSP); eversion left = E + RCSP − tibial varum; forefoot height d = W·tan θ.
 *
 * @param child under 16: posture is a number, never a class
 * For instance `examineFoot(foot with forefootDeg [7] and width 96, false, HOUSE_NORMS).forefootMm` is 11.79
 */
export function examineFoot(foot: Foot, child: boolean, norms: Norms): FootExamination {
  const findings = foot.findings
  const angles = Object.fromEntries(
    ANGLE_KEYS.map((key) => [
      key,
      summariseAngle(
        trialsOf(findings, key),
        ANGLES.of(key).range ? norms.rangeRepeatDeg : norms.alignmentRepeatDeg,
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
  const ncspGapDeg = ncsp !== null && expectedNcspDeg !== null ? ncsp - expectedNcspDeg : null
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
    ncspGapDeg,
    ncspDisagrees:
      ncspGapDeg !== null && Math.abs(ncspGapDeg) > norms.ruleThresholds['ncsp-again.gapDeg'],
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
            norms.firstToeDeg,
          ),
    ankle: straight === null || bent === null ? null : ankleOf(straight, bent, norms.ankleDeg),
    stiff: which('stiff'),
    loose: which('loose'),
  }
  return { ...result, words: alignmentWords(result, findings, child, norms) }
}
