import { USUAL_FOREFOOT_DEG } from '../../examine/examination'
import { n, ofFoot, type FootRule } from '../rule'

const suggest = { school: 'neutral', kind: 'suggest' } as const

/** Hold the rearfoot near its neutral position and balance the forefoot to it. */
export const NEUTRAL: readonly FootRule[] = [
  ofFoot({
    ...suggest,
    code: 'rearfoot-post',
    strength: 'usual',
    when: ({ exam, side, at }) =>
      exam.relaxed && exam.relaxed.meanDeg <= -6
        ? {
            words: `The ${side} heel stands everted ${n(exam.relaxed.meanDeg)}°. A varus rearfoot post of 3° holds it nearer neutral.`,
            change: { post: { at: 'rearfoot', angleDeg: 3 } },
            triggers: [at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'forefoot-varus',
    strength: 'usual',
    when: ({ exam, f, hurts, side, at }) => {
      const { forefoot, forefootMm } = exam
      if (
        !forefoot ||
        forefoot.meanDeg <= USUAL_FOREFOOT_DEG[1] ||
        forefoot.trials < 2 ||
        forefoot.repeat
      )
        return null
      const rigid = f.mobility?.midtarsal === 'stiff'
      if (
        !rigid &&
        !hurts('medialAnkle', 'navicular', 'archPlantar', 'fifthMetHead', 'knee', 'shin')
      )
        return null
      return {
        words: `The ${side} forefoot is ${n(forefoot.meanDeg)}° varus${forefootMm === null ? '' : `, ${n(forefootMm)} mm across`}, ${rigid ? 'and the midfoot is stiff' : 'and it fits the complaint'}: balance it in the cast.`,
        change: { layer: 'intrinsicForefootPost', amounts: {} },
        triggers: [at('findings.forefootDeg')],
      }
    },
  }),
  ofFoot({
    ...suggest,
    code: 'forefoot-valgus',
    strength: 'usual',
    when: ({ exam, f, side, at }) =>
      exam.forefoot &&
      exam.forefoot.meanDeg < USUAL_FOREFOOT_DEG[0] &&
      exam.forefoot.trials >= 2 &&
      !exam.forefoot.repeat
        ? {
            words: `The ${side} forefoot is ${n(exam.forefoot.meanDeg)}° valgus${exam.forefootMm === null ? '' : `, ${n(exam.forefootMm)} mm across`}${f.firstRay?.rest === 'plantarflexed' && f.firstRay.stiffness === 'loose' ? '; the first ray gives, so balance half of it' : ''}. Balance it in the cast.`,
            change: { layer: 'intrinsicForefootPost', amounts: {} },
            triggers: [at('findings.forefootDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'roll-post',
    strength: 'weak',
    when: ({ exam, hurts, side, at }) =>
      exam.rollDeg !== null &&
      exam.rollDeg >= 6 &&
      (exam.relaxed?.meanDeg ?? 0) > -6 &&
      hurts('medialAnkle', 'navicular', 'archPlantar', 'shin', 'knee')
        ? {
            words: `The ${side} heel rolls in ${n(exam.rollDeg)}° from neutral to get down. A varus rearfoot post of ${Math.min(4, Math.round(exam.rollDeg / 2))}° takes about half of it.`,
            change: {
              post: { at: 'rearfoot', angleDeg: Math.min(4, Math.round(exam.rollDeg / 2)) },
            },
            triggers: [at('findings.ncspDeg'), at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    ...suggest,
    code: 'uncompensated',
    strength: 'usual',
    when: ({ exam, side, at }) =>
      exam.uncompensatedDeg !== null && exam.uncompensatedDeg >= 3
        ? {
            words: `The ${side} heel stays ${n(exam.uncompensatedDeg)}° inverted in stance: it does not get down. A varus post of the same angle fills the gap below it instead of pushing it over.`,
            change: { post: { at: 'rearfoot', angleDeg: Math.round(exam.uncompensatedDeg) } },
            triggers: [at('findings.rcspDeg')],
          }
        : null,
  }),
  ofFoot({
    school: 'neutral',
    kind: 'watch',
    code: 'end-of-eversion',
    strength: 'usual',
    when: ({ exam, side, at }) =>
      exam.eversionLeftDeg !== null && exam.eversionLeftDeg <= 2
        ? {
            words: `The ${side} heel stands at the end of its eversion (${exam.eversionLeftDeg < 0 ? '0' : n(exam.eversionLeftDeg)}° left): a post is felt as a block. Go up in small steps.`,
            triggers: [
              at('findings.subtalar'),
              at('findings.rcspDeg'),
              at('findings.tibialVarumDeg'),
            ],
          }
        : null,
  }),
  ofFoot({
    school: 'neutral',
    kind: 'watch',
    code: 'ncsp-again',
    strength: 'usual',
    when: ({ exam, side, at }) =>
      exam.ncspDisagrees
        ? {
            words: `The ${side} neutral stance reads ${n(exam.angles.ncspDeg!.meanDeg)}°, shin and neutral together give ${n(exam.expectedNcspDeg!)}°. Measure again; never add the shin to the neutral stance.`,
            change: { measure: 'ncspDeg' },
            triggers: [at('findings.ncspDeg'), at('findings.tibialVarumDeg')],
          }
        : null,
  }),
  ofFoot({
    school: 'neutral',
    kind: 'watch',
    code: 'neutral-gap',
    strength: 'weak',
    when: ({ exam, side, at }) =>
      exam.neutralGapDeg !== null && Math.abs(exam.neutralGapDeg) > 3
        ? {
            words: `The ${side} neutral by ranges and by palpation lie ${n(exam.neutralGapDeg)}° apart. Take both again before building on either.`,
            change: { measure: 'neutralPalpatedDeg' },
            triggers: [at('findings.subtalar'), at('findings.neutralPalpatedDeg')],
          }
        : null,
  }),
]
