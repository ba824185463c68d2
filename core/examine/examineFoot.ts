import { ANGLES, ANGLE_KEYS, type AngleKey } from '../kinds/findings/all'
import { POSTURE_ITEMS } from '../kinds/findings/posture'
import { sum } from 'd3-array'
import { acrossMm } from '../geometry/tilt'
import type { Norms } from '../record/tables'
import { bestMean } from '../measure/reading'
import type { Findings, Foot } from '../record/schema'
import { alignmentWords } from './alignmentWords'
import { summariseAngle } from './angleSummary'
import { trialsOf } from './angleTrials'
import type { FootExamination } from './examination'
import { impossiblePairs, type ImpossiblePair } from './impossible'
import { ankleOf, firstToeOf, postureClassOf, subtalarNeutralDeg } from './verdicts'

/** Sum of the posture items, from all six only: what was not seen is no zero. */
function wholePosture(findings: Findings | undefined): number | null {
  const seen = findings?.posture?.filter((item) => item !== null) ?? []
  return seen.length === POSTURE_ITEMS.length ? sum(seen) : null
}

/**
 * Alignment, compensation and ranges of one foot with one exact sentence.
 *
 * expected NCSP = tibial varum + subtalar neutral; roll = NCSP − RCSP; uncompensated = max(0,
 * RCSP); eversion left = E + RCSP − tibial varum; forefoot height d = W·tan θ.
 *
 * @param child under 16: posture is a number, never a class
 * @param toeHurts a complaint at the big toe's joint: its range has a grade then, as a stiff one has
 * For instance `examineFoot(foot with forefootDeg [7] and width 96, false, HOUSE_NORMS).forefootMm` is 11.79
 */
export function examineFoot(
  foot: Foot,
  child: boolean,
  norms: Norms,
  toeHurts = false,
): FootExamination {
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
  const postureSum = wholePosture(findings)
  const impossible = impossiblePairs(angles, findings, norms)
  const isImpossible = (code: ImpossiblePair['code']) => impossible.some((p) => p.code === code)
  const loaded = of('firstToeLoadedDeg') ?? undefined
  const toePains = findings?.firstToeMidRangePain === true
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
    eversionLeftDeg:
      E !== null && rcsp !== null && tibia !== null && !isImpossible('eversion-below-nothing')
        ? Math.max(0, E + rcsp - tibia)
        : null,
    postureSum,
    postureClass: postureSum === null || child ? null : postureClassOf(postureSum),
    firstToe:
      unloaded === null || isImpossible('loaded-over-unloaded')
        ? null
        : firstToeOf(
            unloaded,
            loaded,
            findings?.firstToeStiff === true || toePains || toeHurts,
            toePains,
            norms.firstToeDeg,
          ),
    ankle:
      straight === null || bent === null || isImpossible('bent-below-straight')
        ? null
        : ankleOf(straight, bent, norms.ankleDeg),
    stiff: which('stiff'),
    loose: which('loose'),
    impossible,
    contradictory: isImpossible('stance-contradicts'),
  }
  return { ...result, words: alignmentWords(result, findings, child, norms) }
}
